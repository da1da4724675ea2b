<script lang="ts">
	/** A camera lag's numbers, tuned while the course plays; what they mean: how far it trails, when it has settled. */
	import { rangeOf, type Range } from '$lib/documents';
	import { lagPreset as shape } from 'dinesis-runtime/tools';
	import type { LagPreset } from 'dinesis-runtime';
	import { LAG_AXES, newLagAxis, type LagAxis, type LagAxisName } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Select from '$lib/ui/Select.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import BodyFrame from './BodyFrame.svelte';
	import { trailsOf } from './body-figures';

	interface Props {
		session: ProjectSession;
		lag: LagPreset;
		/** Left out: nothing to go back to. */
		onback?: () => void;
		/** The axis that is shown, where others know of it as well. */
		axis?: LagAxisName;
		onaxis?: (axis: LagAxisName) => void;
		/** Whether its answer is drawn here. */
		drawn?: boolean;
	}
	let { session, lag, onback, axis: given, onaxis, drawn = true }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	const FOLLOWS: readonly { readonly value: LagAxis['follow']; readonly label: string }[] = [
		{ value: 'none', label: 'at once' },
		{ value: 'half-life', label: 'half-life' },
		{ value: 'spring', label: 'spring' }
	];
	let own = $state<LagAxisName>('z');
	const shown = $derived(given ?? own);
	function show(name: LagAxisName) {
		own = name;
		onaxis?.(name);
	}
	const axis = $derived(lag.axes[shown] ?? { ...newLagAxis(), follow: 'none' as const });
	const turns = $derived(shown === 'yaw' || shown === 'pitch' || shown === 'roll');
	const unit = $derived<'m' | '°' | 'px'>(turns ? '°' : lag.view === 'flat' ? 'px' : 'm');
	const trails = $derived(trailsOf(axis, unit));

	const change = (label: string, part: Partial<LagPreset>, mark: string, done: boolean): void => {
		session.changeBody(lag.id, label, (l) => ({ ...l, ...part }) as LagPreset, mark);
		if (done) session.seal();
	};
	const set = (part: Partial<LagAxis>, mark: string, done: boolean): void =>
		change('Lag', { axes: { ...lag.axes, [shown]: { ...axis, ...part } } }, `${shown} ${mark}`, done);
	const tabs = $derived(LAG_AXES.map((id) => ({ id, off: (lag.axes[id]?.follow ?? 'none') === 'none' })));
</script>

<BodyFrame
	what="Camera lag"
	preset={lag}
	{onback}
	onchange={(label, part, mark) => change(label, part as Partial<LagPreset>, mark, true)}
>
	<Tabs label="Axes" {tabs} open={shown} onopen={(id) => show(id as LagAxisName)} />
	<label
		>follows <Select
			value={axis.follow}
			choices={FOLLOWS}
			onchange={(follow) => set({ follow: follow as LagAxis['follow'] }, 'follow', true)}
		/></label
	>
	{#if axis.follow !== 'none'}
		<div class="tiles">
			{#if axis.follow === 'half-life'}
				<NumberField
					label="half-life"
					unit="s"
					value={axis.halfLife}
					{...of('axes', 'halfLife')}
					step={0.002}
					onchange={(halfLife, done) => set({ halfLife }, 'half', done)}
				/>
				<NumberField
					label="settling"
					unit="s"
					value={axis.settle ?? axis.halfLife}
					{...of('axes', 'settle')}
					step={0.002}
					reset={axis.halfLife}
					hint="The half-life once the body stands"
					onchange={(settle, done) => set({ settle }, 'settle', done)}
				/>
			{:else}
				<NumberField
					label="spring"
					unit="Hz"
					value={axis.frequency}
					{...of('axes', 'frequency')}
					step={0.02}
					onchange={(frequency, done) => set({ frequency }, 'frequency', done)}
				/>
				<NumberField
					label="damping"
					value={axis.damping}
					{...of('axes', 'damping')}
					step={0.01}
					onchange={(damping, done) => set({ damping }, 'damping', done)}
				/>
			{/if}
			<NumberField
				label="quiet within"
				{unit}
				value={axis.quiet}
				{...of('axes', 'quiet')}
				step={turns ? 0.1 : 0.01}
				onchange={(quiet, done) => set({ quiet }, 'quiet', done)}
			/>
			<NumberField
				label="at most"
				{unit}
				value={axis.atMost ?? 0}
				{...of('axes', 'atMost')}
				min={0}
				step={turns ? 0.5 : 0.02}
				reset={0}
				zero="no limit"
				hint="0: no limit"
				onchange={(most, done) => set({ atMost: most > 0 ? most : null }, 'most', done)}
			/>
		</div>
	{/if}
	{#if drawn}
		<div class="drawing">
			{#await import('./LagChart.svelte') then { default: LagChart }}
				<LagChart
					{lag}
					axis={shown}
					way={null}
					wayName=""
					onaxis={(part, mark, done) => {
						if (Object.keys(part).length > 0) set(part, mark, done);
						else if (done) session.seal();
					}}
				/>
			{/await}
		</div>
	{/if}
	<dl>
		<dt>trails</dt>
		<dd>{trails.map(({ label, by }) => `${Number(by.toPrecision(2))} ${unit} ${label}`).join(', ')}</dd>
	</dl>
	<div class="tiles">
		<NumberField
			label="leads by"
			unit="s"
			value={lag.leadsBy}
			{...of('leadsBy')}
			step={0.005}
			onchange={(leadsBy, done) => change('Lead', { leadsBy }, 'leads', done)}
		/>
		<NumberField
			label="smoothing"
			unit="s"
			value={lag.leadHalfLife}
			{...of('leadHalfLife')}
			step={0.005}
			onchange={(leadHalfLife, done) => change('Lead', { leadHalfLife }, 'lead half', done)}
		/>
		<NumberField
			label="snaps at"
			unit="m"
			value={lag.snapsBeyond ?? 0}
			{...of('snapsBeyond')}
			min={0}
			step={0.1}
			reset={0}
			hint="0: never"
			onchange={(m, done) => change('Snap', { snapsBeyond: m > 0 ? Math.max(0.01, m) : null }, 'snap', done)}
		/>
	</div>
</BodyFrame>

<style>
	label {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 12px;
		color: var(--ink-2);
	}
	.drawing {
		height: 190px;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 1px 8px;
		margin: 0;
		font-size: 12px;
	}
	dt {
		color: var(--ink-2);
	}
	dd {
		margin: 0;
	}
</style>
