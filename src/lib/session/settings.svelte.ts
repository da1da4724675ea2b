/** The project's own settings as a page has them: what everybody shares who works on it. */
import {
	creation,
	DEFAULT_SETTINGS,
	fieldsTowards,
	KINDS,
	PROJECT_ID,
	shownOfHeld,
	silencedId,
	newUuid,
	type AnyDocument,
	type KeyTarget,
	type ProjectFacts,
	type ProjectSettings,
	type Silenced
} from '$lib/documents';
import type { PlayerSetting } from 'dinesis-runtime';
import type { WorkingCopy } from './working-copy.svelte';

export class Settings {
	readonly now = $derived.by((): ProjectSettings => {
		const [held] = this.work.list('project');
		return (held && shownOfHeld<ProjectFacts>(held).settings) ?? DEFAULT_SETTINGS;
	});

	/** What a game's menu offers those who want less motion. */
	readonly players = $derived.by((): readonly PlayerSetting[] => {
		const [held] = this.work.list('project');
		return held ? shownOfHeld<ProjectFacts>(held).players : [];
	});

	constructor(private readonly work: WorkingCopy) {}

	/** One undoable step; changes with the same mark, one after the other, are one step. */
	change(label: string, recipe: (settings: ProjectSettings) => ProjectSettings, mark: string | null = null): void {
		this.put(label, (facts) => ({ ...facts, settings: recipe(facts.settings) }), mark);
	}

	/** Likewise of what players may choose. */
	changePlayers(
		label: string,
		recipe: (players: readonly PlayerSetting[]) => readonly PlayerSetting[],
		mark: string | null = null
	): void {
		this.put(label, (facts) => ({ ...facts, players: recipe(facts.players) }), mark);
	}

	private put(label: string, recipe: (facts: ProjectFacts) => ProjectFacts, mark: string | null): void {
		const [held] = this.work.list('project');
		const own = mark === null ? null : `settings ${mark}`;
		if (!held) {
			const document = recipe(KINDS.project.fresh(PROJECT_ID, '') as AnyDocument & ProjectFacts) as AnyDocument;
			this.work.change(label, [{ document: newUuid(), fields: [creation('project', document, 'a0')] }], own);
			return;
		}
		const next = recipe(shownOfHeld<ProjectFacts>(held)) as AnyDocument;
		this.work.change(label, [{ document: held.uuid, fields: fieldsTowards(held, next) }], own);
	}

	/** What is too much of a figure; null: as the Review has it. */
	setLimit(name: string, most: number | null, named: string): void {
		this.change(
			`Limit of ${named}`,
			(settings) => {
				const limits = { ...settings.limits, [name]: most ?? 0 };
				if (most === null) delete limits[name];
				return { ...settings, limits };
			},
			`limit ${name}`
		);
	}

	/** Leaves a finding alone, for a reason; without one it is told again. */
	leaveAlone(one: Omit<Silenced, 'id'>): void {
		const id = silencedId(one.kind, one.of, one.check);
		const reason = one.reason.trim();
		this.change(reason ? `Leave “${one.check}” alone` : `Tell “${one.check}” again`, (settings) => ({
			...settings,
			silenced: [
				...settings.silenced.filter((other) => other.id !== id),
				...(reason ? [{ ...one, id, reason }] : [])
			].sort((a, b) => (a.id < b.id ? -1 : 1))
		}));
		this.work.seal();
	}

	/** What somebody gave a key; undefined: it fires what comes first. */
	onKey(id: string): KeyTarget | undefined {
		return this.now.keys.find((key) => key.id === id);
	}

	/** Gives a key something to fire; null: what comes first again. */
	setKey(id: string, target: KeyTarget | null, named: string): void {
		const key = id.replace('shift-', 'Shift ');
		this.change(target ? `Put ${named} on key ${key}` : `Clear key ${key}`, (settings) => ({
			...settings,
			keys: [
				...settings.keys.filter((one) => one.id !== id),
				...(target ? [{ id, kind: target.kind, of: target.of }] : [])
			].sort((a, b) => (a.id < b.id ? -1 : 1))
		}));
		this.work.seal();
	}
}
