/** Who else has the project open, in other browsers, and at what. */
import { newUuid } from '$lib/documents';
import * as api from './api';
import { personName, setPersonName } from './person';

/** How often a window says that it is there. */
const BEAT_MS = 10_000;
const BROWSER_KEY = 'dinesis:browser';

function browserName(): string {
	try {
		const known = localStorage.getItem(BROWSER_KEY);
		if (known) return known;
		const made = newUuid();
		localStorage.setItem(BROWSER_KEY, made);
		return made;
	} catch {
		return newUuid();
	}
}

export class People {
	/** One's own name, as others see it; empty: none is set. */
	name = $state('');
	private list = $state.raw<readonly api.Here[]>([]);
	private browser = '';
	private window = '';
	private document = '';

	constructor(private readonly project: string) {}

	/** People in other browsers, each once, at what they look at. */
	readonly others = $derived.by((): readonly api.Here[] => {
		const seen = new Set<string>();
		return this.list.filter(({ browser }) => browser !== this.browser && !seen.has(browser) && seen.add(browser));
	});

	/** Names of those who look at this document; who has set none is somebody. */
	at(key: string): string[] {
		return this.others.filter(({ document }) => document === key).map(({ who }) => who || 'somebody');
	}

	/** Begins to say that this window is there. Returns what ends it. */
	open(window: string): () => void {
		this.window = window;
		this.browser = browserName();
		this.name = personName();
		void this.say();
		const beat = setInterval(() => void this.say(), BEAT_MS);
		return () => {
			clearInterval(beat);
			this.leave();
		};
	}

	look(document: string): void {
		if (this.document === document) return;
		this.document = document;
		if (this.window) void this.say();
	}

	/** Gives oneself another name. */
	call(name: string): void {
		setPersonName(name);
		this.name = personName();
		void this.say();
	}

	/** Somebody has come, gone, or turned to something else. */
	async refresh(): Promise<void> {
		const answer = await api.fetchHere(this.project);
		if (answer.ok) this.list = answer.value;
	}

	leave(): void {
		void api.sayHere(this.project, { ...this.self, left: true });
	}

	private get self(): api.Here {
		return { window: this.window, browser: this.browser, who: this.name, document: this.document };
	}

	private async say(): Promise<void> {
		const answer = await api.sayHere(this.project, this.self);
		if (answer.ok) this.list = answer.value;
	}
}
