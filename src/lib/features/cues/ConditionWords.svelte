<script lang="ts">
	/** What must hold for a cue to answer, as words of its sentence. */
	import type { Cue, GameEvent } from 'dinesis-runtime';
	import { cue as cueShape, type Between, type CueConditions } from 'dinesis-runtime/tools';
	import { rangeOf as fieldRange, scaled } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { CuesState } from './cues.svelte';
	import Word from './Word.svelte';

	let { desk, cue, event }: { desk: CuesState; cue: Cue; event: GameEvent | undefined } = $props();

	const c = $derived(cue.conditions);
	const parameters = $derived(desk.session.wiring.parameters.map((p) => ({ value: p.id, label: p.name })));
	const carried = $derived((event?.values ?? []).map((v) => ({ value: v.id, label: v.id, about: v.unit })));
	const change = (label: string, recipe: (cue: Cue) => Cue, mark: string | null, done: boolean): void =>
		desk.change(cue.id, label, recipe, mark, done);
	const condition = (label: string, part: Partial<CueConditions>, done = true): void =>
		change(label, (q) => ({ ...q, conditions: { ...q.conditions, ...part } }), label, done);
	const bound = (which: 'values' | 'parameters', i: number, part: Partial<Between>, done = true): void =>
		condition('Condition', { [which]: c[which].map((b, k) => (k === i ? { ...b, ...part } : b)) }, done);
	const without = (which: 'values' | 'parameters', i: number): void =>
		condition('Condition', { [which]: c[which].filter((_, k) => k !== i) });
	const unitOf = (value: string): string => event?.values.find((v) => v.id === value)?.unit ?? '';
	const rangeOf = (value: string) => event?.values.find((v) => v.id === value) ?? { min: 0, max: 1 };
</script>

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
		{#each ['from', 'to'] as const as end (end)}
			{@const held = b[end]}
			{#if held !== null}{end === 'from' ? 'over' : 'under'}
				<NumberField
					look="inline"
					label=""
					name="{end === 'from' ? 'Least' : 'Most'} of {b.of}"
					unit={unitOf(b.of)}
					value={held}
					min={rangeOf(b.of).min}
					max={rangeOf(b.of).max}
					step={0.02}
					onchange={(v, done) => bound('values', i, { [end]: v }, done)}
				/>{/if}
		{/each}
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
			onmake={(name) =>
				desk.sayNewValue(cue, name, (q, of) => ({
					...q,
					conditions: {
						...q.conditions,
						parameters: q.conditions.parameters.map((p, k) => (k === i ? { ...p, of } : p))
					}
				}))}
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
