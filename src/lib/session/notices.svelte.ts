/** What the page says to its user, for a while. */
export interface Notice {
	readonly id: number;
	readonly text: string;
	readonly action?: { readonly label: string; readonly run: () => void };
}

const MOST = 3;
const SHOWN_MS = 6000;
const WITH_ACTION_MS = 12000;

export class Notices {
	list = $state.raw<readonly Notice[]>([]);
	private last = 0;

	say(text: string, action?: Notice['action']): void {
		const notice = { id: ++this.last, text, action };
		this.list = [...this.list.slice(1 - MOST), notice];
		setTimeout(() => this.dismiss(notice.id), action ? WITH_ACTION_MS : SHOWN_MS);
	}

	dismiss(id: number): void {
		this.list = this.list.filter((notice) => notice.id !== id);
	}
}
