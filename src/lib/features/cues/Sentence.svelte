<script lang="ts">
	/** A cue as a sentence; each of its words is changed in place. */
	import type { Cue } from 'dinesis-runtime';
	import { cue as cueShape } from 'dinesis-runtime/tools';
	import { rangeOf as fieldRange } from '$lib/documents';
	import type { CueAction, CueWhen, FeltBy } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { CuesState } from './cues.svelte';
	import CameraWords from './CameraWords.svelte';
	import MoreWords from './MoreWords.svelte';
	import ConditionWords from './ConditionWords.svelte';
	import PlayWords from './PlayWords.svelte';
	import Word from './Word.svelte';

	let { desk, cue }: { desk: CuesState; cue: Cue } = $props();

	const wiring = $derived(desk.session.wiring);
	const event = $derived(desk.event(cue.event));
	const isState = $derived(event?.kind === 'state');
	const events = $derived(wiring.events.map((e) => ({ value: e.id, label: e.name, about: e.kind })));
	const parameters = $derived(wiring.parameters.map((p) => ({ value: p.id, label: p.name })));
	const whens = $derived<{ value: CueWhen; label: string }[]>(
		isState
			? [
					{ value: 'lasts', label: 'lasts' },
					{ value: 'starts', label: 'starts' },
					{ value: 'ends', label: 'ends' }
				]
			: [{ value: 'happens', label: 'happens' }]
	);
	const FELT: readonly { value: FeltBy; label: string }[] = [
		{ value: 'one', label: 'the one it happens to' },
		{ value: 'reach', label: 'those in reach' },
		{ value: 'everyone', label: 'everyone' }
	];
	const STOPS = $derived([
		{ value: 'own', label: 'what it began' },
		{ value: 'all', label: 'everything' },
		...[...new Set(desk.session.presets.flatMap((p) => p.tags))].map((t) => ({
			value: `tag:${t}`,
			label: `everything tagged ${t}`
		})),
		...desk.session.presets.map((p) => ({ value: `preset:${p.id}`, label: p.name }))
	]);
	const c = $derived(cue.conditions);
	const conditional = $derived(
		c.tags.length + c.values.length + c.parameters.length > 0 || c.coolDown > 0 || c.chance < 1 || c.once
	);

	const change = (label: string, recipe: (cue: Cue) => Cue, mark: string | null = null, done = true): void =>
		desk.change(cue.id, label, recipe, mark, done);
	const action = (i: number, part: Partial<CueAction>, label: string, done = true): void =>
		change(
			label,
			(q) => ({ ...q, actions: q.actions.map((a, k) => (k === i ? ({ ...a, ...part } as CueAction) : a)) }),
			`${i} ${label}`,
			done
		);
	const drop = (i: number): void =>
		change('Take an action out', (q) => ({ ...q, actions: q.actions.filter((_, k) => k !== i) }));

	function chooseEvent(id: string) {
		const next = desk.event(id);
		const when: CueWhen = next?.kind === 'state' ? (cue.when === 'happens' ? 'lasts' : cue.when) : 'happens';
		desk.say(cue, 'event', 'Event', (q) => ({ ...q, event: id, when }));
	}
	const stopOf = (what: string): Extract<CueAction, { kind: 'stop' }>['what'] =>
		what === 'own' || what === 'all'
			? what
			: what.startsWith('tag:')
				? { tag: what.slice(4) }
				: { preset: what.slice(7) };
	const stopValue = (what: Extract<CueAction, { kind: 'stop' }>['what']): string =>
		typeof what === 'string' ? what : 'tag' in what ? `tag:${what.tag}` : `preset:${what.preset}`;
</script>

<div class="sentence">
	{cue.when === 'lasts' ? 'While' : 'When'}
	<Word
		label="Event"
		tone="event"
		value={cue.event}
		options={events}
		asked={desk.waitsFor(cue.id, 'event') ? 'what happens?' : ''}
		onchange={chooseEvent}
		onmake={(name) => desk.sayNewEvent(cue, name)}
	/>
	{#if isState}<Word
			label="When"
			value={cue.when}
			options={whens}
			onchange={(when) => change('When', (q) => ({ ...q, when }))}
		/>{/if}
	<ConditionWords {desk} {cue} {event} />
	{#each cue.actions as a, i (i)}
		<span class="clause">
			{#if i > 0}<span class="c">,</span> <span class="and">and</span>{:else if conditional}<span class="c">,</span
				>{/if}
			{#if a.kind === 'play'}
				<PlayWords
					{desk}
					{cue}
					play={a}
					placed={event?.placed ?? false}
					onchange={(part, label, done) => action(i, part, label, done)}
				/>
			{:else if a.kind === 'stop'}
				stop <Word
					label="What is stopped"
					tone="preset"
					value={stopValue(a.what)}
					options={STOPS}
					onchange={(what) => action(i, { what: stopOf(what) }, 'Stop')}
				/>
				<button class="tagged" title="With its fade, or at once" onclick={() => action(i, { cut: !a.cut }, 'Stop')}
					>{a.cut ? 'at once' : 'with its fade'}</button
				>
			{:else if a.kind === 'set'}
				set <Word
					label="Game value"
					value={a.parameter}
					options={parameters}
					onchange={(parameter) => action(i, { parameter }, 'Set')}
					onmake={(name) =>
						desk.sayNewValue(cue, name, (q, parameter) => ({
							...q,
							actions: q.actions.map((b, k) => (k === i ? ({ ...b, parameter } as CueAction) : b))
						}))}
				/>
				to
				<NumberField
					look="inline"
					label=""
					name="New value"
					value={a.to}
					{...fieldRange(cueShape, 'actions', 'to')}
					step={0.01}
					onchange={(to, done) => action(i, { to }, 'Set', done)}
				/>
			{:else if a.kind === 'camera'}
				<CameraWords
					{desk}
					action={a}
					lasts={cue.when === 'lasts'}
					onchange={(part, label, done) => action(i, part, label, done)}
				/>
			{:else}
				raise <Word
					label="Event raised"
					tone="event"
					value={a.event}
					options={events}
					onchange={(e) => action(i, { event: e }, 'Raise')}
				/>
			{/if}
			{#if a.delay > 0}after
				<NumberField
					look="inline"
					label=""
					name="Delay"
					unit="s"
					value={a.delay}
					{...fieldRange(cueShape, 'actions', 'delay')}
					step={0.01}
					onchange={(delay, done) => action(i, { delay }, 'Delay', done)}
				/>{/if}
			{#if cue.actions.length > 1}<button class="out" aria-label="Take this action out" onclick={() => drop(i)}
					>×</button
				>{/if}
		</span>
	{/each}
	{#if cue.actions.some((a) => a.kind === 'play' || a.kind === 'camera')}
		<span class="clause"
			><span class="c">,</span> felt by <Word
				label="Who feels it"
				value={cue.feltBy}
				options={FELT}
				onchange={(feltBy) => change('Who feels it', (q) => ({ ...q, feltBy }))}
			/></span
		>
	{/if}
	<MoreWords {desk} {cue} {event} />
</div>

<style>
	.sentence {
		line-height: 1.85;
		font-size: 14px;
	}
	.sentence :global(:is(.clause, .sentence) > .root),
	.sentence > :global(.root) {
		display: inline-block;
	}
	.sentence :global(.clause .field.inline .label) {
		display: none;
	}
	/* A comma stands at the word before it, whatever the space that comes with the markup. */
	.sentence :global(.c) {
		margin-left: -4px;
	}
	.and {
		color: var(--ink-2);
	}
	.sentence :global(:is(.tagged, .by, .out)) {
		border: 0;
		background: none;
		cursor: pointer;
		padding: 0 1px;
	}
	.sentence :global(.tagged) {
		border-bottom: 1px solid var(--rule-strong);
		font-weight: 600;
	}
	.sentence :global(.by) {
		background: var(--lamp-wash);
		border-bottom: 1px solid var(--lamp);
		color: var(--lamp-text);
		font-weight: 600;
		padding: 0 4px;
	}
	.sentence :global(.clause) {
		position: relative;
	}
	/* Takes no room: it stands above the end of its clause while one is at the sentence. */
	.sentence :global(.out) {
		position: absolute;
		right: -5px;
		top: -13px;
		line-height: 1;
		padding: 1px 4px;
		border-radius: 50%;
		background: var(--sheet);
		color: var(--danger);
		opacity: 0;
	}
	.sentence:hover :global(.out),
	.sentence :global(.out:focus-visible) {
		opacity: 1;
	}
</style>
