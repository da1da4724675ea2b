<script lang="ts">
	/** What a cue plays and how, as words of its sentence. */
	import type { Cue } from 'dinesis-runtime';
	import { cue as cueShape, type BuildUp, type Picks, type PlayAction } from 'dinesis-runtime/tools';
	import { rangeOf as fieldRange } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { CuesState } from './cues.svelte';
	import Pick from './Pick.svelte';

	interface Props {
		desk: CuesState;
		cue: Cue;
		play: PlayAction;
		/** Its event happens somewhere. */
		placed: boolean;
		onchange: (part: Partial<PlayAction>, label: string, done?: boolean) => void;
	}
	let { desk, cue, play, placed, onchange }: Props = $props();

	const SEVERAL: Readonly<Record<Picks, string>> = {
		'no-repeat': ' one of',
		any: ' any of',
		'in-turn': ' in turn'
	};
	const buildUp = (part: Partial<BuildUp>, done?: boolean): void =>
		onchange({ buildUp: { ...play.buildUp!, ...part } }, 'Build-up', done);
	const say = (pick: PlayAction['pick'], label: string): void =>
		desk.say(cue, 'preset', label, (q) => ({
			...q,
			actions: q.actions.map((a) => (a.id === play.id ? { ...a, pick } : a) as typeof a)
		}));
	/** Where the curve of its strength begins and ends. */
	const ends = $derived.by(() => {
		if (typeof play.strength === 'number') return { from: '', to: '' };
		const values = play.strength.curve.map((p) => p.value);
		return { from: String(values[0] ?? 0), to: String(values.at(-1) ?? 0) };
	});
</script>

play{play.pick.length > 1 ? SEVERAL[play.picks ?? 'no-repeat'] : ''}
<Pick
	{desk}
	pick={play.pick}
	picks={play.picks ?? 'no-repeat'}
	onmake={async (name) => {
		const made = await desk.makePreset(name);
		if (made) say([...(play.pick.length > 1 ? play.pick : []), { preset: made, weight: 1 }], 'Preset');
	}}
	onpicks={(picks) => onchange({ picks }, 'How it is picked')}
	asked={desk.waitsFor(cue.id, 'preset') ? 'which preset?' : ''}
	onchange={say}
/>
at
{#if typeof play.strength === 'number'}
	<NumberField
		look="inline"
		label=""
		name="Strength"
		unit="×"
		value={play.strength}
		{...fieldRange(cueShape, 'actions', 'strength')}
		step={0.01}
		onchange={(strength, done) => onchange({ strength }, 'Strength', done)}
	/>
{:else}
	<button class="by" title="Its curve is on the right" onclick={() => (desk.chosen = cue.id)}
		>{ends.from} … {ends.to} by {play.strength.by}</button
	>
{/if}{#if play.rate !== 1}<span class="c">,</span>
	<NumberField
		look="inline"
		label=""
		name="Rate"
		unit="× as fast"
		value={play.rate}
		{...fieldRange(cueShape, 'actions', 'rate')}
		step={0.01}
		onchange={(rate, done) => onchange({ rate }, 'Rate', done)}
	/>{/if}
{#if play.length === 'event'}<span class="c">,</span> for as long as the event{:else if play.length !== null}<span
		class="c">,</span
	>
	for
	<NumberField
		look="inline"
		label=""
		name="Length"
		unit="s"
		value={play.length}
		{...fieldRange(cueShape, 'actions', 'length')}
		step={0.01}
		onchange={(length, done) => onchange({ length }, 'Length', done)}
	/>{/if}
{#if placed && play.fromPlace}<span class="c">,</span> from where it happened{/if}
{#if play.buildUp}<span class="c">,</span> growing by
	<NumberField
		look="inline"
		label=""
		name="Each repetition adds"
		value={play.buildUp.by}
		{...fieldRange(cueShape, 'actions', 'buildUp', 'by')}
		step={0.01}
		onchange={(by, done) => buildUp({ by }, done)}
	/>
	up to
	<NumberField
		look="inline"
		label=""
		name="The most it comes to"
		unit="×"
		value={play.buildUp.most}
		{...fieldRange(cueShape, 'actions', 'buildUp', 'most')}
		step={0.01}
		onchange={(most, done) => buildUp({ most }, done)}
	/>
	with each one within
	<NumberField
		look="inline"
		label=""
		name="The window of the build-up"
		unit="s"
		value={play.buildUp.coolDown}
		{...fieldRange(cueShape, 'actions', 'buildUp', 'coolDown')}
		step={0.01}
		onchange={(coolDown, done) => buildUp({ coolDown }, done)}
	/>, then down over
	<NumberField
		look="inline"
		label=""
		name="The way down of the build-up"
		unit="s"
		value={play.buildUp.downOver ?? 0}
		{...fieldRange(cueShape, 'actions', 'buildUp', 'downOver')}
		step={0.01}
		onchange={(downOver, done) => buildUp({ downOver }, done)}
	/>{/if}
