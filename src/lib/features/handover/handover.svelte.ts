/** The Handover room's state: what goes out, as what, what of it was made before. */
import {
	answered,
	asksLength,
	callsFile,
	drawIn,
	everythingIn,
	kitDifference,
	kitMinified,
	kitModule,
	LANGUAGE_WORDS,
	LANGUAGES,
	namesFile,
	OWN_WORLD,
	partOf,
	standingOf,
	usedValues,
	type Drawn,
	type Language,
	type Picked
} from '$lib/handover';
import type { CurveFile, CurveWish } from '$lib/handover/curve-file';
import { documentsIn, writeKit, type Kit, type Told } from '$lib/documents';
import { isShake } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import { fileName } from '$lib/ui/save-text';
import { openTargets, type Kept, type Targets } from './targets';

export type Target =
	| 'kit'
	| 'kit-min'
	| 'module'
	| 'runtime'
	| `names-${Language}`
	| 'calls-ts'
	| 'calls-js'
	| 'sheet-html'
	| 'sheet-md'
	| CurveFile;

export interface TargetRow {
	readonly target: Target;
	readonly label: string;
	readonly about: string;
}
export const TARGETS: readonly { readonly title: string; readonly rows: readonly TargetRow[] }[] = [
	{
		title: 'The kit, and what plays it',
		rows: [
			{ target: 'kit', label: 'kit', about: 'one JSON file, as people read it' },
			{ target: 'kit-min', label: 'kit, without blanks', about: 'the same, smaller' },
			{ target: 'module', label: 'TypeScript module', about: 'the kit, with its ids as types' },
			{ target: 'runtime', label: 'run-time', about: 'what plays a kit in a game: a package without dependencies' }
		]
	},
	{
		title: 'What the game writes',
		rows: [
			{ target: 'calls-ts', label: 'TypeScript', about: 'one call for each event' },
			{ target: 'calls-js', label: 'JavaScript', about: 'one call for each event' }
		]
	},
	{
		title: 'A sheet for the team',
		rows: [
			{
				target: 'sheet-html',
				label: 'HTML',
				about: 'one page that prints: drawings, numbers in words, figures, what sets off what'
			},
			{ target: 'sheet-md', label: 'Markdown', about: 'the same as text' }
		]
	},
	{
		title: 'Names',
		rows: LANGUAGES.map((language) => ({
			target: `names-${language}` as const,
			label: LANGUAGE_WORDS[language].label,
			about: LANGUAGE_WORDS[language].file
		}))
	},
	{
		title: 'Motion as curves',
		rows: [
			{ target: 'csv', label: 'CSV', about: 'a table, a picture a row' },
			{ target: 'json', label: 'JSON', about: 'with its axes and units' },
			{ target: 'gltf', label: 'glTF', about: 'a camera that moves, as text' },
			{ target: 'glb', label: 'GLB', about: 'the same, in one file' }
		]
	}
];
export const CURVES: readonly Target[] = ['csv', 'json', 'gltf', 'glb'];
export const isCurves = (target: Target): target is CurveFile => CURVES.includes(target);

export const isSheet = (target: Target): boolean => target.startsWith('sheet-');

/** A document that may go out. */
export interface Entry {
	readonly key: string;
	readonly picked: Picked;
	readonly name: string;
	readonly words: string;
}
/** In which order, and what several are called. */
export const GROUPS = [
	['cue', 'Cues'],
	['event', 'Events'],
	['shake', 'Shakes'],
	['bob', 'Head bobs'],
	['lag', 'Camera lags'],
	['rig', 'Rigs'],
	['value', 'Game values'],
	['course', 'Courses']
] as const;

/** A kit without recordings of running games: what else a take is tells it apart, and each is larger than a browser keeps. */
const bare = (kit: Kit): Kit => ({
	...kit,
	courses: kit.courses.map((course) => ({ ...course, recording: undefined }))
});

export class HandoverState {
	/** Everything, or what is chosen. */
	scope = $state<'all' | 'part'>('all');
	chosen = $state.raw<ReadonlySet<string>>(new Set());
	target = $state<Target>('kit');
	/** Of what a game writes: the rig that it begins with; empty: the body's eyes. */
	rig = $state('');
	wish = $state.raw<Omit<CurveWish, 'as'>>({
		of: { preset: '' },
		content: 'offset',
		fps: 60,
		seeds: [1],
		strength: 1,
		seconds: null,
		loop: null,
		keys: null,
		world: { ...OWN_WORLD, rotation: 'yxz' }
	});
	private targets: Targets | null = null;
	/** What was made before, the newest first. */
	kept = $state.raw<readonly Kept[]>([]);

	constructor(readonly session: ProjectSession) {
		this.wish = { ...this.wish, fps: session.settings.now.frameRate };
	}

	/** Looks up what was made before: only a browser knows. */
	open(): void {
		this.targets = openTargets(this.session.project.slug);
		this.kept = this.targets.list();
	}

	/** The project as a kit; null while some of it is still to come. */
	readonly whole = $derived.by((): Kit | null => this.session.asKit);

	readonly entries = $derived.by((): readonly Entry[] => {
		const kit = this.whole;
		if (!kit) return [];
		return [...documentsIn(kit)]
			.filter(({ kind }) => kind !== 'project')
			.map(({ kind, document }) => ({
				key: `${kind} ${document.id}`,
				picked: { kind, id: document.id },
				name: document.name ?? document.id,
				words: `${document.id} ${'tags' in document ? (document.tags as string[]).join(' ') : ''}`
			}));
	});

	readonly drawn = $derived.by((): Drawn | null => this.whole && this.drawnBy(this.whole, this.scope, this.chosen));

	/** Which documents a choice is now. */
	private drawnBy(whole: Kit, scope: 'all' | 'part', chosen: ReadonlySet<string>): Drawn {
		const courses = whole.courses.map(({ id }): Picked => ({ kind: 'course', id }));
		const picked = this.entries.filter(({ key }) => chosen.has(key)).map((entry) => entry.picked);
		return drawIn(whole, scope === 'all' ? [...everythingIn(whole), ...courses] : picked);
	}

	/** What goes out. */
	readonly kit = $derived.by((): Kit | null => (this.whole && this.drawn ? partOf(this.whole, this.drawn) : null));

	/** Found in what goes out, the gravest first; held against the whole project, as what does not go out is there all the same. */
	readonly findings = $derived.by((): readonly Told[] => {
		const { drawn, session } = this;
		return drawn
			? session.findings.list.filter(({ kind, document }) => standingOf(drawn, kind, document.id) !== null)
			: [];
	});

	/** The motion that is asked for; where what was chosen does not go out, the first that does. */
	readonly of = $derived.by((): CurveWish['of'] => {
		const { kit, wish } = this;
		const { of } = wish;
		if (!kit) return of;
		if ('course' in of)
			return kit.courses.some(({ id }) => id === of.course) ? of : { course: kit.courses[0]?.id ?? '' };
		const shakes = kit.presets.filter(isShake);
		return shakes.some(({ id }) => id === of.preset) ? of : { preset: shakes[0]?.id ?? '' };
	});

	/** What stands in the file, where it is a text; null: it is made by the worker. */
	readonly text = $derived.by((): string | null => {
		const { kit, target, rig } = this;
		if (!kit || isCurves(target) || isSheet(target) || target === 'runtime') return null;
		if (target === 'kit') return writeKit(kit);
		if (target === 'kit-min') return kitMinified(kit);
		if (target === 'module') return kitModule(kit);
		if (target.startsWith('names-')) return namesFile(kit, target.slice(6) as Language);
		const begins = kit.rigs.some(({ id }) => id === rig) ? rig : null;
		return callsFile(kit, { types: target === 'calls-ts', file: this.kitFile, rig: begins });
	});

	/** How the kit's own file is called. */
	get kitFile(): string {
		return `${fileName(this.session.project.name)}.kit.json`;
	}

	/** How the file is called that is made; of curves without what it ends in. */
	readonly file = $derived.by((): string => {
		const { target, session } = this;
		if (target === 'kit' || target === 'kit-min') return this.kitFile;
		if (target === 'module') return `${fileName(session.project.name)}.kit.ts`;
		if (target === 'sheet-html') return `${fileName(session.project.name)}.html`;
		if (target === 'sheet-md') return `${fileName(session.project.name)}.md`;
		if (target === 'calls-ts') return 'motion.ts';
		if (target === 'calls-js') return 'motion.js';
		if (target.startsWith('names-')) return LANGUAGE_WORDS[target.slice(6) as Language].file;
		return '';
	});

	/** Events that a game must send, with what each carries, and how often each came in courses and takes. */
	readonly sends = $derived.by(() => {
		const { kit, whole } = this;
		if (!kit || !whole) return [];
		const counts = new Map<string, number>();
		for (const course of whole.courses)
			for (const { event } of course.events) counts.set(event, (counts.get(event) ?? 0) + 1);
		return answered(kit).map((event) => ({
			event,
			carries: [
				...event.values.map((v) => (v.unit ? `${v.id} in ${v.unit}` : v.id)),
				...(event.placed ? ['a place'] : []),
				...(asksLength(kit, event) ? ['its length'] : []),
				...(event.mayCarry?.length ? [`perhaps tags (${event.mayCarry.join(', ')})`] : [])
			],
			times: counts.get(event.id) ?? 0
		}));
	});
	readonly values = $derived.by(() => (this.kit ? usedValues(this.kit) : []));

	toggle(key: string): void {
		const chosen = new Set(this.chosen);
		if (!chosen.delete(key)) chosen.add(key);
		this.chosen = chosen;
	}

	/** Chooses all that has a tag, or takes it back. */
	chooseTagged(keys: readonly string[], on: boolean): void {
		const chosen = new Set(this.chosen);
		for (const key of keys)
			if (on) chosen.add(key);
			else chosen.delete(key);
		this.chosen = chosen;
	}

	/** Remembers what was just made, with the kit that it was made of. */
	remember(name: string): void {
		const { kit, scope, chosen, target, rig, wish } = this;
		if (!kit || !this.targets) return;
		this.session.sentOut(kit);
		this.kept = this.targets.keep({
			name,
			made: new Date().toISOString(),
			as: { scope, chosen: [...chosen], target, rig, wish },
			kit: kitMinified(bare(kit))
		});
	}

	/** Sets everything as it was when that was made. */
	again({ as }: Kept): void {
		const { scope, chosen, target, rig, wish } = as;
		Object.assign(this, { scope, chosen: new Set(chosen), target, rig, wish });
	}

	forget(kept: Kept): void {
		if (this.targets) this.kept = this.targets.drop(kept);
	}

	/** What changed of a choice since it was made, document by document; null: it cannot be told any more. */
	since(kept: Kept): ReturnType<typeof kitDifference> | null {
		const before = this.targets?.kitOf(kept);
		const { whole } = this;
		if (!before || !whole) return null;
		const { scope, chosen } = kept.as;
		return kitDifference(bare(before), bare(partOf(whole, this.drawnBy(whole, scope, new Set(chosen)))));
	}
}
