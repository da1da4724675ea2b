/** Which other tabs of this browser look at what. */
import type { TabMessage, Tabs } from './tabs';

/** How often a tab says that it is there; one that is silent for three beats is gone. */
const BEAT_MS = 4000;

export class Presence {
	private others = $state.raw<Record<string, { readonly key: string; readonly at: number }>>({});
	private tabs: Tabs | null = null;
	private looking = '';

	/** Begins to say that it is there; returns what ends it. */
	open(tabs: Tabs): () => void {
		this.tabs = tabs;
		this.look(this.looking);
		const beat = setInterval(() => this.beat(), BEAT_MS);
		return () => clearInterval(beat);
	}

	/** How many other tabs look at this document. */
	at(key: string): number {
		return Object.values(this.others).filter((other) => other.key === key).length;
	}

	/** Tells other tabs which document this one shows. */
	look(key: string): void {
		this.looking = key;
		this.send(true);
	}

	isLooking(key: string): boolean {
		return key === this.looking;
	}

	hear(message: TabMessage): void {
		if (message.kind === 'looking') {
			this.others = { ...this.others, [message.tab]: { key: message.key, at: Date.now() } };
			if (message.answer) this.send(false);
			return;
		}
		const { [message.tab]: gone, ...rest } = this.others;
		void gone;
		this.others = rest;
	}

	private send(answer: boolean): void {
		this.tabs?.send({ kind: 'looking', tab: this.tabs.id, key: this.looking, answer });
	}

	private beat(): void {
		this.send(false);
		const alive = Object.entries(this.others).filter(([, other]) => Date.now() - other.at < 3 * BEAT_MS);
		if (alive.length < Object.keys(this.others).length) this.others = Object.fromEntries(alive);
	}
}
