<script lang="ts">
	/** All head bobs, or all lags: what they do, in which rigs they are; pointed at they play. */
	import Archive from '@lucide/svelte/icons/archive';
	import Copy from '@lucide/svelte/icons/copy';
	import type { BobPreset, LagPreset } from 'dinesis-runtime';
	import { isBob, type LagAxisName } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { eyePath, lagAnswer } from '$lib/stages/body-figures';

	interface Props {
		session: ProjectSession;
		rows: readonly (BobPreset | LagPreset)[];
		pointed: string;
		onpoint: (preset: BobPreset | LagPreset) => void;
		onopen: (key: string) => void;
	}
	let { session, rows, pointed, onpoint, onopen }: Props = $props();

	const [W, H] = [96, 36];
	const walk = (bob: BobPreset) => [...bob.gaits].sort((a, b) => Math.abs(a.speed - 1.5) - Math.abs(b.speed - 1.5))[0];
	/** The axis that moves most: along the way, else the first that lags. */
	const axisOf = (lag: LagPreset) =>
		(['z', 'x', 'yaw', 'y', 'pitch', 'roll'] as const).find((a) => (lag.axes[a]?.follow ?? 'none') !== 'none');
	const unitOf = (lag: LagPreset, axis: LagAxisName): 'm' | '°' | 'px' =>
		axis === 'yaw' || axis === 'pitch' || axis === 'roll' ? '°' : lag.view === 'flat' ? 'px' : 'm';
	const rigsOf = (id: string): string[] =>
		session.wiring.rigs.filter((r) => r.bob === id || r.lag === id).map((r) => r.name);
	const cm = (v: number, view: string): string =>
		view === 'flat' ? `${v.toFixed(1)} px` : `${(v * 100).toFixed(1)} cm`;

	function keys(event: KeyboardEvent) {
		const at = rows.findIndex((p) => p.id === pointed);
		const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
		if (by !== undefined) {
			const next = rows[Math.max(0, Math.min(rows.length - 1, at < 0 ? 0 : at + by))];
			if (next) onpoint(next);
		} else if (event.key === 'Enter' && rows[at]) onopen(rows[at].id);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
	async function copy(preset: BobPreset | LagPreset) {
		const made = await session.acts.copyBody(preset.id);
		if (made) onopen(made);
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div class="table" role="table" aria-label="Head bobs and lags" tabindex="0" onkeydown={keys}>
	{#each rows as preset (preset.id)}
		{@const bob = isBob(preset)}
		{@const rigs = rigsOf(preset.id)}
		<!-- svelte-ignore a11y_interactive_supports_focus -->
		<div
			class="row"
			role="row"
			class:pointed={preset.id === pointed}
			onpointerenter={() => onpoint(preset)}
			ondblclick={() => onopen(preset.id)}
		>
			<span role="cell" class="name"
				><a href="{session.home}/bench/{preset.id}">{preset.name}</a><small>{preset.about}</small></span
			>
			<span role="cell">
				{#if bob}
					{@const gait = walk(preset)}
					{@const path = gait && eyePath(preset, gait.speed, W, H, 4)}
					{#if path}<svg viewBox="0 0 {W} {H}" aria-hidden="true"><path class="bob" d={path.d} /></svg>{/if}
				{:else}
					{@const axis = axisOf(preset)}
					{#if axis}
						{@const answer = lagAnswer(preset.axes[axis]!, unitOf(preset, axis), W, H)}
						<svg viewBox="0 0 {W} {H}" aria-hidden="true"
							><path class="body" d={answer.body} /><path class="lag" d={answer.view} /></svg
						>
					{/if}
				{/if}
			</span>
			<span role="cell" class="figures">
				{#if bob}
					{@const gait = walk(preset)}
					{#if gait}
						{@const path = eyePath(preset, gait.speed, W, H, 4)}
						{cm(path.height, preset.view)} up, {cm(path.width, preset.view)} aside<small
							>{gait.steps} steps a second at {gait.speed} m/s</small
						>
					{:else}no gait{/if}
				{:else}
					{@const axis = axisOf(preset)}
					{#if axis}
						{@const answer = lagAnswer(preset.axes[axis]!, unitOf(preset, axis), W, H)}
						trails {answer.trails[0]!.by.toPrecision(2)}
						{unitOf(preset, axis)}
						{answer.trails[0]!.label}<small
							>{answer.settled === null ? 'long to settle' : `settled in ${answer.settled.toFixed(2)} s`}</small
						>
					{:else}at once{/if}
				{/if}
			</span>
			<span role="cell" class="tags"
				>{preset.tags.join(', ')}<small>{rigs.length === 0 ? 'in no rig' : rigs.join(', ')}</small></span
			>
			<span role="cell" class="acts">
				<button aria-label="Copy {preset.name}" title="Copy" onclick={() => void copy(preset)}
					><Copy size={14} /></button
				>
				<button aria-label="Retire {preset.name}" title="Retire" onclick={() => void session.acts.retire(preset.id)}
					><Archive size={14} /></button
				>
			</span>
		</div>
	{:else}
		<p>None yet, or none that fits. A rig’s stage makes the first one: “a new one”.</p>
	{/each}
</div>

<style>
	.table {
		height: 100%;
		overflow: auto;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1.5fr) 104px minmax(0, 1fr) minmax(0, 0.9fr) 64px;
		gap: 10px;
		align-items: center;
		min-height: 50px;
		padding: 4px 10px;
		border-bottom: 1px solid var(--rule);
	}
	.pointed {
		background: var(--lamp-wash);
	}
	.name a {
		font-weight: 600;
		color: inherit;
		text-decoration: none;
	}
	small {
		display: block;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-size: 12px;
		color: var(--ink-2);
	}
	span {
		min-width: 0;
		font-size: 13px;
	}
	svg {
		display: block;
		width: 96px;
		height: 36px;
	}
	path {
		fill: none;
		stroke-width: 1.6;
	}
	.bob {
		stroke: var(--ink-y);
	}
	.lag {
		stroke: var(--ink-x);
	}
	.body {
		stroke: var(--rule-strong);
		stroke-dasharray: 3 3;
	}
	.acts {
		display: flex;
		gap: 4px;
		justify-content: end;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		padding: 3px 6px;
		cursor: pointer;
	}
	p {
		padding: 20px;
		text-align: center;
		color: var(--ink-2);
	}
</style>
