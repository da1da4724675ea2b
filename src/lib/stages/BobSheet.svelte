<script lang="ts">
	/** A head bob's numbers, tuned while the course plays: gaits with their channels, landing, breathing, and the eye's path. */
	import { rangeOf, type Range } from '$lib/documents';
	import { bobPreset as shape } from 'dinesis-runtime/tools';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash from '@lucide/svelte/icons/trash-2';
	import type { BobPreset } from 'dinesis-runtime';
	import { type BobChannel, type BobGait, type Channel } from 'dinesis-runtime/tools';
	import { freeId as freeIdOf } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import { gaitName, withPoses } from './body-changes';
	import BobChannels from './BobChannels.svelte';
	import BobLanding from './BobLanding.svelte';
	import BobPoses from './BobPoses.svelte';
	import BodyFrame from './BodyFrame.svelte';
	import { eyePath } from './body-figures';
	import { FIRST_POSES } from './stride-poses';

	interface Props {
		session: ProjectSession;
		bob: BobPreset;
		/** Left out: nothing to go back to. */
		onback?: () => void;
		/** The speed that is walked: its gait is shown until another is chosen. */
		near?: number;
		/** Which of the gaits is shown; until one is chosen that of a walk. */
		shown?: string;
	}
	let { session, bob, onback, near = 1.5, shown = $bindable('') }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	const [W, H] = [240, 74];
	const LANDING = { dip: 0.012, most: 0.14, nod: 35, frequency: 2.1, damping: 0.55 };
	const IDLE = { channels: { y: { amplitude: 0.004, frequency: 0.25 } } };
	const nearest = (gaits: readonly BobGait[]): BobGait | undefined =>
		[...gaits].sort((a, b) => Math.abs(a.speed - near) - Math.abs(b.speed - near))[0];
	const gait = $derived(bob.gaits.find((g) => g.id === shown) ?? nearest(bob.gaits));
	const path = $derived(gait ? eyePath(bob, gait.speed, W, H) : null);

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
		const { every, ...made } = { ...before, ...part };
		// What goes round as its channel does by itself says nothing.
		if (every) Object.assign(made, { every });
		if (made.shape === 'keys' && !made.keys)
			setGait({ channels: { ...gait!.channels, [name]: { ...made, keys: FIRST_POSES } } }, mark, done);
		else setGait({ channels: { ...gait!.channels, [name]: made } }, mark, done);
	}
	const freeId = (name: string): string =>
		freeIdOf(
			name,
			bob.gaits.map((g) => g.id)
		);
	function nameGait(called: string) {
		const { name: before, ...numbers } = gait!;
		void before;
		const made = called && called !== gait!.id ? { ...numbers, name: called } : numbers;
		change('Name of a gait', { gaits: bob.gaits.map((g) => (g === gait ? made : g)) }, 'gait name', true);
	}
	function takeLoop(made: BobGait, isNew: boolean) {
		const gaits = isNew ? [...bob.gaits, made] : bob.gaits.map((g) => (g.id === made.id ? made : g));
		change('Take a loop of frames', { gaits }, 'gaits', true);
		shown = made.id;
	}
	function addGait() {
		const last = bob.gaits.at(-1);
		const id = freeId('gait');
		const { name: before, ...numbers } = last ?? { name: '', steps: 1.9, channels: {} };
		void before;
		const made: BobGait = { ...numbers, id, speed: (last?.speed ?? 0.7) * 2 };
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
	<div class="gaits">
		<Tabs
			label="Gaits"
			tabs={bob.gaits.map((g) => ({ id: g.id, name: gaitName(g) }))}
			open={gait?.id ?? ''}
			onopen={(id) => (shown = id)}
		/>
		<Button onclick={addGait} aria-label="Add a gait" title="A gait for another speed"><Plus size={13} /></Button>
		{#if gait && bob.gaits.length > 1}<Button onclick={removeGait} aria-label="Take the gait {gaitName(gait)} out"
				><Trash size={13} /></Button
			>{/if}
		<Popover label="Take a loop of frames as a gait" title="A loop of frames: pasted, or out of a file" align="right">
			{#snippet button()}<span class="frames">frames …</span>{/snippet}
			{#snippet children(close)}
				{#await import('./GaitFrames.svelte') then { default: GaitFrames }}
					<GaitFrames
						{bob}
						{gait}
						{freeId}
						ontake={(made, isNew) => {
							close();
							takeLoop(made, isNew);
						}}
					/>
				{/await}
			{/snippet}
		</Popover>
	</div>
	{#if gait}
		<label class="called"
			>called <input
				aria-label="Name of the gait"
				maxlength="60"
				placeholder={gait.id}
				value={gait.name ?? ''}
				onchange={(e) => nameGait(e.currentTarget.value.trim())}
			/></label
		>
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
		<BobChannels {gait} view={bob.view} onchange={setChannel} />
		<BobPoses
			{gait}
			view={bob.view}
			onchange={(name, keys, what, done) => {
				session.changeBody(
					bob.id,
					what,
					(b) => withPoses(b as BobPreset, gait.id, name, keys),
					`gait ${gait.id} ${name} poses`
				);
				if (done) session.seal();
			}}
		/>
	{/if}
	<label class="check"
		><input
			type="checkbox"
			checked={bob.landing !== null}
			onchange={(e) => change('Landing', { landing: e.currentTarget.checked ? LANDING : null }, 'landing', true)}
		/> dips on landing</label
	>
	{#if bob.landing}<BobLanding
			landing={bob.landing}
			onchange={(landing, mark, done) => change('Landing', { landing }, mark, done)}
		/>{/if}
	<label class="check"
		><input
			type="checkbox"
			checked={bob.idle !== null}
			onchange={(e) => change('Breathing', { idle: e.currentTarget.checked ? IDLE : null }, 'idle', true)}
		/> breathes where one stands</label
	>
</BodyFrame>

<style>
	.gaits {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 5px;
	}
	.called {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 12px;
		color: var(--ink-2);
	}
	.called input {
		flex: 1;
		min-width: 0;
		min-height: 24px;
		border: 1px solid var(--rule);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		font: inherit;
		padding: 0 6px;
	}
	.frames {
		display: inline-flex;
		align-items: center;
		min-height: 24px;
		padding: 0 7px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		font-size: 12px;
	}
	.gaits > :global(button) {
		min-height: 24px;
		padding: 2px 7px;
	}
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
