/** What was done in the project, documents as they were, and the way back: wholly or by field, each one step that can be undone. */
import {
	between,
	differences,
	planOfKind,
	type Difference,
	type Envelope,
	type Held,
	type History,
	type Scope,
	type ToldStretch
} from '$lib/documents';
import * as api from './api';
import { personName } from './person';
import type { Fields } from './steps';
import type { WorkingCopy } from './working-copy.svelte';

/** What would make a document what it was: its fields' differences as read from then to now. */
export const sinceThen = (now: Held, was: Envelope): Difference[] => differences(now.kind, was.body, now.body);

/** What takes a document back; nothing where it is as it was. */
export function wayBack(now: Held, was: Envelope | null): Fields[] {
	const fields = [];
	if (was === null) {
		if (!now.retired) fields.push({ path: ['retired'], to: true });
	} else {
		// What its id is by now others know it by.
		for (const { path, to } of between(planOfKind(now.kind), now.body, was.body))
			if (path.join() !== 'id') fields.push({ path: ['body', ...path], to });
		if (now.order !== was.order) fields.push({ path: ['order'], to: was.order });
		if (now.retired !== was.retired) fields.push({ path: ['retired'], to: was.retired });
	}
	return fields.length > 0 ? [{ document: now.uuid, fields }] : [];
}

export class Histories {
	constructor(
		private readonly project: string,
		private readonly work: WorkingCopy,
		private readonly say: (text: string) => void
	) {}

	/** A part of what was done, the newest first, from before a number on. */
	list(scope: Scope, before?: number): Promise<api.Answer<History>> {
		return api.fetchHistory(this.project, scope, { before });
	}

	/** A stretch, change by change. */
	single(
		scope: Scope,
		{ first, last }: { readonly first: number; readonly last: number }
	): Promise<api.Answer<History>> {
		return api.fetchHistory(this.project, scope, { after: first - 1, before: last + 1, single: 1 });
	}

	/** Moments to go back to: named and marked ones first; of what is being worked on each change by itself, the last of which is now. */
	async moments(): Promise<readonly ToldStretch[]> {
		const answer = await this.list({});
		if (!answer.ok) return [];
		const [newest, ...earlier] = answer.value.stretches;
		if (!newest) return [];
		const single = await this.single({}, newest);
		const before = [...(single.ok ? single.value.stretches.slice(1) : []), ...earlier];
		const marked = (one: ToldStretch): boolean => one.name !== '' || one.starred;
		return [...before.filter(marked), ...before.filter((one) => !marked(one))];
	}

	/** Documents of a scope as they were at a number, where they were changed since; what this page did not have is here from then on. */
	async then(scope: Scope, number: number): Promise<readonly api.Then[] | null> {
		const answer = await api.fetchThen(this.project, number, scope);
		if (!answer.ok) {
			this.say(answer.message);
			return null;
		}
		this.work.take(answer.value.map(({ now }) => now).filter(({ uuid }) => !this.work.get(uuid)));
		return answer.value;
	}

	/** A document as this page has it. */
	held(uuid: string): Held | undefined {
		return this.work.get(uuid);
	}

	/** Puts documents back to what they were. What is there now stays in the history, and undo brings it back. */
	goBack(label: string, list: readonly api.Then[]): void {
		const ways = list.flatMap(({ now, was }) => wayBack(this.work.get(now.uuid) ?? now, was));
		if (ways.length === 0) return this.say('It is as it was then.');
		this.work.seal();
		this.work.change(`Go back to ${label}`, ways, null, `went back to ${label}`.slice(0, 200));
	}

	/** Makes documents what they are in another state of the project: what is only here goes out of use. */
	take(label: string, from: string, list: readonly api.Then[]): void {
		const ways = list.flatMap(({ now, was }) => wayBack(this.work.get(now.uuid) ?? now, was));
		if (ways.length === 0) return;
		this.work.seal();
		this.work.change(label, ways, null, `taken from ${from}`.slice(0, 200));
	}

	/** Takes one field back to what it was. */
	takeBack(
		{ now, was }: api.Then,
		{ path, label }: Pick<Difference, 'path' | 'label'>,
		said = `Take ${label} back`
	): void {
		const held = this.work.get(now.uuid);
		if (!held || !was) return;
		const found = between(planOfKind(held.kind), held.body, was.body).find(
			(field) => field.path.join('\0') === path.join('\0')
		);
		if (!found) return this.say(`${label} is as it was then.`);
		this.work.seal();
		this.work.change(said, [{ document: held.uuid, fields: [{ path: ['body', ...path], to: found.to }] }]);
	}

	/** Names a moment, or marks it with a star. True when it is kept. */
	async mark(number: number, mark: { readonly name: string; readonly starred: boolean }): Promise<boolean> {
		const answer = await api.sendMark(this.project, number, { ...mark, who: personName() });
		if (!answer.ok) this.say(answer.message);
		return answer.ok;
	}
}
