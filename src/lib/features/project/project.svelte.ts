/** The project's page: its name and settings, who is who, the key for a game elsewhere, backups. */
import { freeId, partsReturning, readKit, sayProblem, type Person } from '$lib/documents';
import * as api from '$lib/session/api';
import { personName } from '$lib/session/person';
import * as own from '$lib/session/project-api';
import type { ProjectSession } from '$lib/session/session.svelte';

/** Somebody on the list: what they do, and what they did here. */
export interface Listed {
	readonly name: string;
	readonly does: string;
	readonly changes: number;
	readonly lastAt: string;
	readonly here: boolean;
}

export class ProjectPage {
	/** null: not asked for yet. */
	shareKey = $state.raw<string | null>(null);
	backups = $state.raw<readonly own.Backup[] | null>(null);
	private workers = $state.raw<readonly own.Worker[]>([]);
	busy = $state(false);
	/** What kept the last act from being done. */
	trouble = $state('');

	constructor(readonly session: ProjectSession) {}

	private get slug(): string {
		return this.session.project.slug;
	}

	/** Everybody who worked here or was written down, the last who worked first. */
	readonly people = $derived.by((): Listed[] => {
		const { settings, people } = this.session;
		const names = [...this.workers.map(({ who }) => who), ...settings.now.people.map(({ name }) => name)];
		const here = new Set([...people.others.map(({ who }) => who), people.name]);
		return [...new Set(names)]
			.filter((name) => name !== '')
			.map((name) => {
				const worker = this.workers.find(({ who }) => who === name);
				const does = settings.now.people.find((person) => person.name === name)?.does ?? '';
				return { name, does, changes: worker?.changes ?? 0, lastAt: worker?.lastAt ?? '', here: here.has(name) };
			});
	});

	/** How many changes bear no name. */
	get nameless(): number {
		return this.workers.find(({ who }) => who === '')?.changes ?? 0;
	}

	async open(): Promise<void> {
		const [workers, backups] = await Promise.all([own.fetchWorkers(this.slug), own.fetchBackups(this.slug)]);
		if (workers.ok) this.workers = workers.value;
		if (backups.ok) this.backups = backups.value;
		else this.trouble = backups.message;
	}

	async rename(name: string): Promise<void> {
		const { project } = this.session;
		if (name.trim() === project.name) return;
		const done = await api.changeProject(project.slug, { name });
		if (done.ok) this.session.project = { ...project, name: done.value.name };
		else this.session.say(done.message);
	}

	/** Writes down what somebody does; nothing, where nobody of that name worked here: takes them off. */
	describe(name: string, does: string): void {
		this.session.settings.change(`What ${name} does`, (settings) => {
			const known = settings.people.find((person) => person.name === name);
			const others = settings.people.filter((person) => person !== known);
			if (does.trim() === '' && this.workers.some(({ who }) => who === name)) return { ...settings, people: others };
			const id = known?.id ?? freeId(name, new Set(settings.people.map((person) => person.id)));
			const person: Person = { id, name, does: does.trim() };
			return {
				...settings,
				people: known ? settings.people.map((one) => (one === known ? person : one)) : [...others, person]
			};
		});
		this.session.seal();
	}

	/** Writes somebody down who has not worked here yet. */
	addPerson(name: string): void {
		const written = name.trim().slice(0, 40);
		if (written !== '' && !this.people.some((one) => one.name === written)) this.describe(written, '');
	}

	removePerson(name: string): void {
		this.session.settings.change(`Take ${name} off the list`, (settings) => ({
			...settings,
			people: settings.people.filter((person) => person.name !== name)
		}));
		this.session.seal();
	}

	async showKey(): Promise<void> {
		const answer = await own.fetchShareKey(this.slug);
		if (answer.ok) this.shareKey = answer.value.key;
		else this.session.say(answer.message);
	}

	async renewKey(): Promise<void> {
		const answer = await own.renewShareKey(this.slug);
		if (!answer.ok) return this.session.say(answer.message);
		this.shareKey = answer.value.key;
		this.session.say('There is a new key; the former opens nothing any more.');
	}

	async makeBackup(name: string): Promise<boolean> {
		// What was changed a moment ago is in it too.
		if (!(await this.session.settled())) {
			this.trouble = 'The server does not answer, so nothing could be backed up. Nothing else was changed.';
			return false;
		}
		const made = await this.working(() => own.makeBackup(this.slug, name, personName()));
		if (made) this.backups = [made, ...(this.backups ?? [])];
		return made !== null;
	}

	/** Makes the project what it was in a backup: one step, which undo takes back. What is there now is backed up first. */
	async bringBack(backup: own.Backup, named: string): Promise<void> {
		const text = await this.working(() => own.fetchBackup(this.slug, backup.id));
		if (text === null) return;
		await this.returnTo(text, named);
	}

	/** The same from a backup's file. */
	async returnTo(text: string | Uint8Array, named: string): Promise<void> {
		const read = readKit(text);
		if (!read.ok) {
			const [first] = read.problems;
			this.trouble = `${named} cannot be read, and nothing was changed. ${first ? sayProblem(first) : ''}`.trim();
			return;
		}
		if (!(await this.makeBackup(`before going back to ${named}`.slice(0, 120)))) return;
		const { session } = this;
		if ((await session.bringing.everything()) === null) return;
		const changed = session.bringing.goBackTo((held) => partsReturning(read.value, held), named);
		session.say(
			changed ? `The project is as it was in ${named}.` : `The project is as it was in ${named} already.`,
			changed ? { label: 'Undo', run: () => session.goBack() } : undefined
		);
	}

	/** What an answer brings; null when it brought nothing, which is said. */
	private async working<T>(ask: () => Promise<api.Answer<T>>): Promise<T | null> {
		if (this.busy) return null;
		this.busy = true;
		this.trouble = '';
		const answer = await ask();
		this.busy = false;
		if (answer.ok) return answer.value;
		this.trouble = answer.message;
		return null;
	}
}
