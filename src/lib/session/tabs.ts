/** Tabs of one browser that have the same project open tell each other what they look at. */
export type TabMessage =
	| { readonly kind: 'looking'; readonly tab: string; readonly key: string; readonly answer: boolean }
	| { readonly kind: 'left'; readonly tab: string };

export class Tabs {
	readonly id = crypto.randomUUID();
	/** null once it is closed: a save may still be answered then. */
	private channel: BroadcastChannel | null;

	constructor(project: string, receive: (message: TabMessage) => void) {
		this.channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`dinesis:${project}`);
		if (this.channel) this.channel.onmessage = (event: MessageEvent<TabMessage>) => receive(event.data);
	}

	send(message: TabMessage): void {
		this.channel?.postMessage(message);
	}

	leave(): void {
		this.send({ kind: 'left', tab: this.id });
	}

	close(): void {
		this.leave();
		this.channel?.close();
		this.channel = null;
	}
}
