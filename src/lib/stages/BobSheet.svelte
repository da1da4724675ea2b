<script lang="ts">
	/** A head bob's numbers, tuned while the course plays: gaits with their channels, landing, breathing, and the eye's path. */
	import { rangeOf, type Range } from '$lib/documents';
	import { bobPreset as shape } from 'dinesis-runtime/tools';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash from '@lucide/svelte/icons/trash-2';
	import type { BobPreset } from 'dinesis-runtime';
	import {
		BOB_SHAPES,
		CHANNELS,
		unitOf,
		type BobChannel,
		type BobGait,
		type BobShape,
		type Channel
	} from 'dinesis-runtime/tools';
	import { freeId } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import BodyFrame from './BodyFrame.svelte';
	import { eyePath } from './body-figures';

	interface Props {
		session: ProjectSession;
		bob: BobPreset;
		/** Left out: nothing to go back to. */
		onback?: () => void;
		/** The speed that is walked: its gait is shown until another is chosen. */
		near?: number;
	}
	let { session, bob, onback, near = 1.5 }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	const [W, H] = [240, 74];
	/** What a new gait keyed by hand begins with. */
	const POSES = [
		{ at: 0, value: -1 },
		{ at: 0.4, value: 1 },
		{ at: 1, value: -1 }
	];
	const LANDING = { dip: 0.012, most: 0.14, nod: 35, frequency: 2.1, damping: 0.55 };
	const IDLE = { channels: { y: { amplitude: 0.004, frequency: 0.25 } } };
	/** Which of the gaits is shown; until one is chosen that of a walk. */
	let shown = $state('');
	const nearest = (gaits: readonly BobGait[]): BobGait | undefined =>
		[...gaits].sort((a, b) => Math.abs(a.speed - near) - Math.abs(b.speed - near))[0];
	const gait = $derived(bob.gaits.find((g) => g.id === shown) ?? nearest(bob.gaits));
	const path = $derived(gait ? eyePath(bob, gait.speed, W, H) : null);
	const inUnits = (channel: Channel): string => unitOf(channel, bob.view);

	const change = (label: string, part: Partial<BobPreset>, mark: string, done: boolean): void => {
		session.changeBody(bob.id, label, (b) => ({ ...b, ...part }) as BobPreset, mark);
		if (done) session.seal();
	};
	const setGait = (part: Partial<BobGait>, mark: string, done: boolean): void =>
		change(
			'Gait',
			{ gaits: bob.gaits.map((g) => (g === gait ? { ...g, ...part } : g)) },
			`gait ${gait!.id} ${mark}`,
			done
		);
	function setChannel(name: Channel, part: Partial<BobChannel>, mark: string, done: boolean) {
		const before = gait!.channels[name] ?? {
			amplitude: 0,
			phase: name === 'y' || name === 'pitch' ? 0.75 : 0,
			shape: 'sine' as const
		};
		const made = { ...before, ...part };
		if (made.shape === 'keys' && !made.keys)
			setGait({ channels: { ...gait!.channels, [name]: { ...made, keys: POSES } } }, mark, done);
		else setGait({ channels: { ...gait!.channels, [name]: made } }, mark, done);
	}
	function addGait() {
		const last = bob.gaits.at(-1);
		const id = freeId(
			'gait',
			bob.gaits.map((g) => g.id)
		);
		const made: BobGait = { ...(last ?? { steps: 1.9, channels: {} }), id, speed: (last?.speed ?? 0.7) * 2 };
		change('Add a gait', { gaits: [...bob.gaits, made] }, 'gaits', true);
		shown = id;
	}
	function removeGait() {
		change('Take a gait out', { gaits: bob.gaits.filter((g) => g !== gait) }, 'gaits', true);
		shown = '';
	}
</script>

<BodyFrame
	what="Head bob"
	preset={bob}
	{onback}
	onchange={(label, part, mark) => change(label, part as Partial<BobPreset>, mark, true)}
>
	<div class="tiles">
		<NumberField
			label="amount"
			unit="×"
			value={bob.amount}
			{...of('amount')}
			step={0.01}
			onchange={(amount, done) => change('Amount', { amount }, 'amount', done)}
		/>
		<NumberField
			label="blends in"
			unit="s"
			value={bob.blendTime}
			{...of('blendTime')}
			step={0.01}
			onchange={(blendTime, done) => change('Blend time', { blendTime }, 'blend', done)}
		/>
		<NumberField
			label="settles in"
			unit="s"
			value={bob.settleTime}
			{...of('settleTime')}
			step={0.01}
			onchange={(settleTime, done) => change('Settle time', { settleTime }, 'settle', done)}
		/>
	</div>
	<div class="gaits" role="tablist" aria-label="Gaits">
		{#each bob.gaits as g (g.id)}
			<button role="tab" aria-selected={g === gait} onclick={() => (shown = g.id)}>{g.id}</button>
		{/each}
		<button onclick={addGait} aria-label="Add a gait" title="A gait for another speed"><Plus size={13} /></button>
		{#if gait && bob.gaits.length > 1}<button onclick={removeGait} aria-label="Take the gait {gait.id} out"
				><Trash size={13} /></button
			>{/if}
	</div>
	{#if gait}
		<div class="tiles">
			<NumberField
				label="made for"
				unit="m/s"
				value={gait.speed}
				{...of('gaits', 'speed')}
				step={0.05}
				onchange={(speed, done) => setGait({ speed }, 'speed', done)}
			/>
			<NumberField
				label="steps"
				unit="/s"
				value={gait.steps}
				{...of('gaits', 'steps')}
				step={0.01}
				onchange={(steps, done) => setGait({ steps }, 'steps', done)}
			/>
		</div>
		{#if path}
			<svg viewBox="0 0 {W} {H}" role="img" aria-label="The eye’s path over a stride, seen from behind">
				<line x1={W / 2} x2={W / 2} y1="4" y2={H - 4} /><line x1="4" x2={W - 4} y1={H / 2} y2={H / 2} />
				<path d={path.d} />
				{#each path.feet as foot, i (i)}<circle cx={foot.x} cy={foot.y} r="3" />{/each}
			</svg>
			<small>{(path.width * 100).toFixed(1)} × {(path.height * 100).toFixed(1)} cm · dots: a foot falls</small>
		{/if}
		<table>
			<thead><tr><th>channel</th><th>size</th><th>place</th><th>shape</th></tr></thead>
			<tbody>
				{#each CHANNELS.filter((c) => c !== 'fov') as name (name)}
					{@const channel = gait.channels[name]}
					<tr class:off={!channel || channel.amplitude === 0}>
						<th scope="row">{name}</th>
						<td
							><NumberField
								look="cell"
								label={name}
								name="{name} size"
								unit={inUnits(name)}
								value={channel?.amplitude ?? 0}
								{...of('gaits', 'channels', 'amplitude')}
								step={inUnits(name) === '°' ? 0.01 : 0.0005}
								reset={0}
								onchange={(amplitude, done) => setChannel(name, { amplitude }, name, done)}
							/></td
						>
						<td
							><NumberField
								look="cell"
								label={name}
								name="{name} place in the stride"
								value={channel?.phase ?? 0}
								{...of('gaits', 'channels', 'phase')}
								step={0.01}
								onchange={(phase, done) => setChannel(name, { phase }, `${name} phase`, done)}
							/></td
						>
						<td
							><select
								aria-label="{name} shape"
								value={channel?.shape ?? 'sine'}
								onchange={(e) => setChannel(name, { shape: e.currentTarget.value as BobShape }, `${name} shape`, true)}
							>
								{#each BOB_SHAPES as shape (shape)}<option>{shape}</option>{/each}
							</select></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<label class="check"
		><input
			type="checkbox"
			checked={bob.landing !== null}
			onchange={(e) => change('Landing', { landing: e.currentTarget.checked ? LANDING : null }, 'landing', true)}
		/> dips on landing</label
	>
	{#if bob.landing}
		{@const landing = bob.landing}
		<div class="tiles">
			<NumberField
				label="dip per m/s"
				unit="m"
				value={landing.dip}
				{...of('landing', 'dip')}
				step={0.0005}
				onchange={(dip, done) => change('Landing', { landing: { ...landing, dip } }, 'dip', done)}
			/>
			<NumberField
				label="at most"
				unit="m"
				value={landing.most}
				{...of('landing', 'most')}
				step={0.002}
				onchange={(most, done) => change('Landing', { landing: { ...landing, most } }, 'most', done)}
			/>
			<NumberField
				label="nod"
				unit="°/m"
				value={landing.nod}
				{...of('landing', 'nod')}
				step={0.5}
				onchange={(nod, done) => change('Landing', { landing: { ...landing, nod } }, 'nod', done)}
			/>
			<NumberField
				label="spring"
				unit="Hz"
				value={landing.frequency}
				{...of('landing', 'frequency')}
				step={0.02}
				onchange={(frequency, done) => change('Landing', { landing: { ...landing, frequency } }, 'frequency', done)}
			/>
			<NumberField
				label="damping"
				value={landing.damping}
				{...of('landing', 'damping')}
				step={0.01}
				onchange={(damping, done) => change('Landing', { landing: { ...landing, damping } }, 'damping', done)}
			/>
		</div>
	{/if}
	<label class="check"
		><input
			type="checkbox"
			checked={bob.idle !== null}
			onchange={(e) => change('Breathing', { idle: e.currentTarget.checked ? IDLE : null }, 'idle', true)}
		/> breathes where one stands</label
	>
</BodyFrame>

<style>
	line {
		stroke: var(--rule);
	}
	path {
		fill: none;
		stroke: var(--ink-y);
		stroke-width: 1.6;
	}
	circle {
		fill: var(--lamp);
	}
	table {
		border-collapse: collapse;
		table-layout: fixed;
		width: 100%;
		font-size: 12px;
	}
	th {
		text-align: left;
		font-weight: 400;
		color: var(--ink-2);
		font-size: 11px;
	}
	tbody th {
		font-size: 12px;
		color: var(--ink);
	}
	td {
		border-top: 1px solid var(--rule);
	}
	td :global(.cell .turn) {
		padding: 1px 3px;
	}
	.off {
		opacity: 0.6;
	}
	select {
		width: 100%;
		border: 0;
		background: none;
		color: inherit;
		font-size: 12px;
	}
	small {
		font-size: 11px;
		color: var(--ink-2);
	}
	.check {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	input {
		accent-color: var(--lamp);
	}
</style>
