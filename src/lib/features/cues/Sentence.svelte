<script lang="ts">
	/** A cue as a sentence; each of its words is changed in place. */
	import type { Cue } from 'dinesis-runtime';
	import { cue as cueShape } from 'dinesis-runtime/tools';
	import { rangeOf as fieldRange, scaled } from '$lib/documents';
	import type { Between, CueAction, CueConditions, CueWhen, FeltBy, PlayAction } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { CuesState } from './cues.svelte';
	import CameraWords from './CameraWords.svelte';
	import MoreWords from './MoreWords.svelte';
	import Pick from './Pick.svelte';
	import Word from './Word.svelte';

	let { desk, cue }: { desk: CuesState; cue: Cue } = $props();

	const wiring = $derived(desk.session.wiring);
	const event = $derived(desk.event(cue.event));
	const isState = $derived(event?.kind === 'state');
	const events = $derived(wiring.events.map((e) => ({ value: e.id, label: e.name, about: e.kind })));
	const parameters = $derived(wiring.parameters.map((p) => ({ value: p.id, label: p.name })));
	const carried = $derived((event?.values ?? []).map((v) => ({ value: v.id, label: v.id, about: v.unit })));
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
	const condition = (label: string, part: Partial<CueConditions>, done = true): void =>
		change(label, (q) => ({ ...q, conditions: { ...q.conditions, ...part } }), label, done);
	const bound = (which: 'values' | 'parameters', i: number, part: Partial<Between>, done = true): void =>
		condition('Condition', { [which]: c[which].map((b, k) => (k === i ? { ...b, ...part } : b)) }, done);
	const without = (which: 'values' | 'parameters', i: number): void =>
		condition('Condition', { [which]: c[which].filter((_, k) => k !== i) });
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
		change('Event', (q) => ({ ...q, event: id, when }));
	}
	const unitOf = (value: string): string => event?.values.find((v) => v.id === value)?.unit ?? '';
	const rangeOf = (value: string) => event?.values.find((v) => v.id === value) ?? { min: 0, max: 1 };
	const stopOf = (what: string): Extract<CueAction, { kind: 'stop' }>['what'] =>
		what === 'own' || what === 'all'
			? what
			: what.startsWith('tag:')
				? { tag: what.slice(4) }
				: { preset: what.slice(7) };
	const stopValue = (what: Extract<CueAction, { kind: 'stop' }>['what']): string =>
		typeof what === 'string' ? what : 'tag' in what ? `tag:${what.tag}` : `preset:${what.preset}`;
	const bounds = (play: PlayAction): { from: string; to: string } => {
		if (typeof play.strength === 'number') return { from: '', to: '' };
		const values = play.strength.curve.map((p) => p.value);
		return { from: String(values[0] ?? 0), to: String(values.at(-1) ?? 0) };
	};
</script>

<div class="sentence">
	{cue.when === 'lasts' ? 'While' : 'When'}
	<Word label="Event" tone="event" value={cue.event} options={events} onchange={chooseEvent} />
	{#if isState}<Word
			label="When"
			value={cue.when}
			options={whens}
			onchange={(when) => change('When', (q) => ({ ...q, when }))}
		/>{/if}
	{#each c.tags as tag (tag)}
		tagged <button
			class="tagged"
			title="Take this out"
			onclick={() => condition('Condition', { tags: c.tags.filter((t) => t !== tag) })}>{tag}</button
		>
	{/each}
	{#each c.values as b, i (i)}
		<span class="clause"
			>with <Word label="Number" value={b.of} options={carried} onchange={(of) => bound('values', i, { of })} />
			{#if b.from !== null}over
				<NumberField
					look="inline"
					label=""
					name="Least of {b.of}"
					unit={unitOf(b.of)}
					value={b.from}
					min={rangeOf(b.of).min}
					max={rangeOf(b.of).max}
					step={0.02}
					onchange={(from, done) => bound('values', i, { from }, done)}
				/>{/if}
			{#if b.to !== null}under
				<NumberField
					look="inline"
					label=""
					name="Most of {b.of}"
					unit={unitOf(b.of)}
					value={b.to}
					min={rangeOf(b.of).min}
					max={rangeOf(b.of).max}
					step={0.02}
					onchange={(to, done) => bound('values', i, { to }, done)}
				/>{/if}
			<button class="out" aria-label="Take this condition out" onclick={() => without('values', i)}>×</button></span
		>
	{/each}
	{#each c.parameters as b, i (i)}
		<span class="clause"
			>while <Word
				label="Game value"
				value={b.of}
				options={parameters}
				onchange={(of) => bound('parameters', i, { of })}
			/>
			is over
			<NumberField
				look="inline"
				label=""
				name="Least of {b.of}"
				value={b.from ?? 0}
				{...fieldRange(cueShape, 'conditions', 'parameters', 'from')}
				step={0.01}
				onchange={(from, done) => bound('parameters', i, { from }, done)}
			/>
			<button class="out" aria-label="Take this condition out" onclick={() => without('parameters', i)}>×</button></span
		>
	{/each}
	{#if c.coolDown > 0}
		<span class="clause"
			><span class="c">,</span> at most every
			<NumberField
				look="inline"
				label=""
				name="Cool-down"
				unit="s"
				value={c.coolDown}
				{...fieldRange(cueShape, 'conditions', 'coolDown')}
				step={0.01}
				onchange={(coolDown, done) => condition('Cool-down', { coolDown }, done)}
			/></span
		>
	{/if}
	{#if c.chance < 1}
		<span class="clause"
			><span class="c">,</span> in <NumberField
				look="inline"
				label=""
				name="Chance"
				unit="% of all cases"
				value={Math.round(c.chance * 1000) / 10}
				{...scaled(fieldRange(cueShape, 'conditions', 'chance'), 100)}
				step={0.2}
				onchange={(v, done) => condition('Chance', { chance: v / 100 }, done)}
			/></span
		>
	{/if}
	{#if c.once}<button class="tagged" title="Every time again" onclick={() => condition('Once', { once: false })}
			><span class="c">,</span> only once</button
		>{/if}
	{#each cue.actions as a, i (i)}
		<span class="clause">
			{#if i > 0}<span class="c">,</span> <span class="and">and</span>{:else if conditional}<span class="c">,</span
				>{/if}
			{#if a.kind === 'play'}
				play{a.pick.length > 1 ? ' one of' : ''}
				<Pick {desk} pick={a.pick} onchange={(pick, label) => action(i, { pick }, label)} />
				at
				{#if typeof a.strength === 'number'}
					<NumberField
						look="inline"
						label=""
						name="Strength"
						unit="×"
						value={a.strength}
						{...fieldRange(cueShape, 'actions', 'strength')}
						step={0.01}
						onchange={(strength, done) => action(i, { strength }, 'Strength', done)}
					/>
				{:else}
					<button class="by" title="Its curve is on the right" onclick={() => (desk.chosen = cue.id)}
						>{bounds(a).from} … {bounds(a).to} by {a.strength.by}</button
					>
				{/if}{#if a.rate !== 1}<span class="c">,</span>
					<NumberField
						look="inline"
						label=""
						name="Rate"
						unit="× as fast"
						value={a.rate}
						{...fieldRange(cueShape, 'actions', 'rate')}
						step={0.01}
						onchange={(rate, done) => action(i, { rate }, 'Rate', done)}
					/>{/if}
				{#if a.length === 'event'}<span class="c">,</span> for as long as the event{:else if a.length !== null}<span
						class="c">,</span
					>
					for
					<NumberField
						look="inline"
						label=""
						name="Length"
						unit="s"
						value={a.length}
						{...fieldRange(cueShape, 'actions', 'length')}
						step={0.01}
						onchange={(length, done) => action(i, { length }, 'Length', done)}
					/>{/if}
				{#if event?.placed && a.fromPlace}<span class="c">,</span> from where it happened{/if}
				{#if a.buildUp}<span class="c">,</span> growing by
					<NumberField
						look="inline"
						label=""
						name="Each repetition adds"
						value={a.buildUp.by}
						{...fieldRange(cueShape, 'actions', 'buildUp', 'by')}
						step={0.01}
						onchange={(by, done) => action(i, { buildUp: { ...a.buildUp!, by } }, 'Build-up', done)}
					/>
					up to
					<NumberField
						look="inline"
						label=""
						name="The most it comes to"
						unit="×"
						value={a.buildUp.most}
						{...fieldRange(cueShape, 'actions', 'buildUp', 'most')}
						step={0.01}
						onchange={(most, done) => action(i, { buildUp: { ...a.buildUp!, most } }, 'Build-up', done)}
					/>{/if}
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
	.sentence > :global(.root),
	.clause :global(.root) {
		display: inline-block;
	}
	.clause :global(.field.inline .label) {
		display: none;
	}
	/* A comma stands at the word before it, whatever the space that comes with the markup. */
	.c {
		margin-left: -4px;
	}
	.and {
		color: var(--ink-2);
	}
	button {
		border: 0;
		background: none;
		cursor: pointer;
		padding: 0 1px;
	}
	.tagged {
		border-bottom: 1px solid var(--rule-strong);
		font-weight: 600;
	}
	.by {
		background: var(--lamp-wash);
		border-bottom: 1px solid var(--lamp);
		color: var(--lamp-text);
		font-weight: 600;
		padding: 0 4px;
	}
	.clause {
		position: relative;
	}
	/* Takes no room: it stands above the end of its clause while one is at the sentence. */
	.out {
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
	.sentence:hover .out,
	.out:focus-visible {
		opacity: 1;
	}
</style>
