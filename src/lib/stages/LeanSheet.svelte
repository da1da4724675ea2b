<script lang="ts">
	/** How far the head tips into a turn and towards where one strafes, and how softly it comes back. */
	import { rangeOf, type Range, scaled } from '$lib/documents';
	import { rig as shape } from 'dinesis-runtime/tools';
	import { newLean, type Lean, type View } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import StageSheet from './StageSheet.svelte';

	interface Props {
		lean: Lean | null;
		view: View;
		onchange: (lean: Lean | null, mark: string, done: boolean) => void;
	}
	let { lean, view, onchange }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	const unit = $derived(view === 'flat' ? 'px' : 'm');
	const set = (part: Partial<Lean>, mark: string, done: boolean): void => onchange({ ...lean!, ...part }, mark, done);
	/** Said for a quarter turn a second, and for a walk. */
	const [TURN, WALK] = [90, 1.6];
</script>

<StageSheet
	title="Lean"
	about="Roll and sway by turning and strafing, through a spring. Where one goes straight there is none."
>
	<label class="check"
		><input
			type="checkbox"
			checked={lean !== null}
			onchange={(e) => onchange(e.currentTarget.checked ? newLean() : null, 'lean', true)}
		/> leans</label
	>
	{#if lean}
		<h3>Turning by 90° a second</h3>
		<div class="tiles">
			<NumberField
				label="rolls into it"
				name="Roll by turning"
				unit="°"
				value={lean.rollByTurn * TURN}
				{...scaled(of('lean', 'rollByTurn'), TURN)}
				step={0.05}
				onchange={(v, done) => set({ rollByTurn: v / TURN }, 'rollByTurn', done)}
			/>
			<NumberField
				label="sways into it"
				name="Sway by turning"
				{unit}
				value={lean.swayByTurn * TURN}
				{...scaled(of('lean', 'swayByTurn'), TURN)}
				step={unit === 'px' ? 0.5 : 0.005}
				onchange={(v, done) => set({ swayByTurn: v / TURN }, 'swayByTurn', done)}
			/>
		</div>
		<h3>Strafing at a walk</h3>
		<div class="tiles">
			<NumberField
				label="rolls towards it"
				name="Roll by strafing"
				unit="°"
				value={lean.rollByStrafe * WALK}
				{...scaled(of('lean', 'rollByStrafe'), WALK)}
				step={0.05}
				onchange={(v, done) => set({ rollByStrafe: v / WALK }, 'rollByStrafe', done)}
			/>
			<NumberField
				label="sways towards it"
				name="Sway by strafing"
				{unit}
				value={lean.swayByStrafe * WALK}
				{...scaled(of('lean', 'swayByStrafe'), WALK)}
				step={unit === 'px' ? 0.5 : 0.005}
				onchange={(v, done) => set({ swayByStrafe: v / WALK }, 'swayByStrafe', done)}
			/>
		</div>
		<h3>At most, and back</h3>
		<div class="tiles">
			<NumberField
				label="roll at most"
				unit="°"
				value={lean.mostRoll}
				{...of('lean', 'mostRoll')}
				step={0.1}
				onchange={(mostRoll, done) => set({ mostRoll }, 'mostRoll', done)}
			/>
			<NumberField
				label="sway at most"
				{unit}
				value={lean.mostSway}
				{...of('lean', 'mostSway')}
				step={unit === 'px' ? 0.5 : 0.005}
				onchange={(mostSway, done) => set({ mostSway }, 'mostSway', done)}
			/>
			<NumberField
				label="spring"
				unit="Hz"
				value={lean.frequency}
				{...of('lean', 'frequency')}
				step={0.02}
				onchange={(frequency, done) => set({ frequency }, 'frequency', done)}
			/>
			<NumberField
				label="damping"
				value={lean.damping}
				{...of('lean', 'damping')}
				step={0.01}
				onchange={(damping, done) => set({ damping }, 'damping', done)}
			/>
		</div>
	{/if}
</StageSheet>
