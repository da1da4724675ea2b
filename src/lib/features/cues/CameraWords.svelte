<script lang="ts">
	/** What a cue makes of the camera: another rig, another lag or head bob, gaits larger or smaller, and how long it takes. */
	import { cue as cueShape, type CameraAction } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { gaitNamed } from '$lib/stages/body-changes';
	import type { CuesState } from './cues.svelte';
	import Word from './Word.svelte';

	interface Props {
		desk: CuesState;
		action: CameraAction;
		/** Given back when the state ends, instead of kept. */
		lasts: boolean;
		onchange: (part: Partial<CameraAction>, label: string, done?: boolean) => void;
	}
	let { desk, action, lasts, onchange }: Props = $props();

	const session = $derived(desk.session);
	const nothing = $derived(
		action.rig === null && action.lag === null && action.bob === null && Object.keys(action.sizes).length === 0
	);
	const named = (list: readonly { readonly id: string; readonly name: string; readonly about: string }[]) =>
		list.map(({ id, name, about }) => ({ value: id, label: name, about: about.slice(0, 90) }));
	const rigs = $derived([
		{ value: '', label: nothing ? 'its own rig again' : 'the present rig' },
		...named(session.wiring.rigs)
	]);
	const lags = $derived([{ value: '', label: 'its own lag' }, ...named(session.lags)]);
	const bobs = $derived([{ value: '', label: 'its own head bob' }, ...named(session.bobs)]);
	const size = (gait: string, factor: number, done: boolean): void =>
		onchange({ sizes: { ...action.sizes, [gait]: factor } }, `Size of ${gait}`, done);
	const without = (gait: string): void =>
		onchange({ sizes: Object.fromEntries(Object.entries(action.sizes).filter(([id]) => id !== gait)) }, 'Sizes');
</script>

see through <Word
	label="Rig"
	tone="preset"
	value={action.rig ?? ''}
	options={rigs}
	onchange={(id) => onchange({ rig: id || null }, 'Rig')}
/>
{#if !nothing || lasts}
	with <Word
		label="Lag"
		value={action.lag ?? ''}
		options={lags}
		onchange={(id) => onchange({ lag: id || null }, 'Lag')}
	/>
	and <Word
		label="Head bob"
		value={action.bob ?? ''}
		options={bobs}
		onchange={(id) => onchange({ bob: id || null }, 'Head bob')}
	/>{/if}{#each Object.entries(action.sizes) as [gait, factor] (gait)}<span class="c">,</span>
	{gaitNamed(session.bobs, gait)}
	<NumberField
		look="inline"
		label=""
		name="Size of {gait}"
		unit="× as large"
		value={factor}
		{...rangeOf(cueShape, 'actions', 'sizes')}
		step={0.01}
		reset={1}
		onchange={(v, done) => size(gait, v, done)}
	/><button class="gone" aria-label="Leave {gait} as it is" onclick={() => without(gait)}>×</button>
{/each}<span class="c">,</span>
{#if action.over > 0}within{/if}
<NumberField
	look="inline"
	label=""
	name="Blends within"
	unit={action.over > 0 ? 's' : 's, a cut'}
	value={action.over}
	{...rangeOf(cueShape, 'actions', 'over')}
	step={0.01}
	onchange={(over, done) => onchange({ over }, 'Blend', done)}
/>

<style>
	.gone {
		border: 0;
		background: none;
		color: var(--danger);
		cursor: pointer;
		padding: 0 2px;
	}
</style>
