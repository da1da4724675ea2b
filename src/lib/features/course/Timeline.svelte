<script lang="ts">
	/** The course over time: movement, what the camera felt, events and game values in lanes under one ruler. */
	import type { CourseState } from './course.svelte';
	import EventLane from './EventLane.svelte';
	import { across, areaPath, columnsShown, lanesOf, packed, paceOf, ticks } from './lanes';
	import TimelineCorner from './TimelineCorner.svelte';
	import TimelineLabels from './TimelineLabels.svelte';
	import TimelineRuler from './TimelineRuler.svelte';
	import ValueLane from './ValueLane.svelte';

	let { desk }: { desk: CourseState } = $props();

	const [PACE, FELT, ROW] = [32, 34, 14];
	const ROWS = 3;
	let width = $state(900);
	let root: HTMLElement;
	const course = $derived(desk.course!);
	/** Seen square to a flat picture: then lengths are pixels. */
	const flat = $derived(desk.session.wiring.rigs.find((r) => r.id === course.rig)?.view.kind === 'flat');
	const view = $derived(desk.view);
	const marks = $derived(ticks(view, width));
	const x = (time: number): number => across(view, width, time);
	const timeAt = (px: number): number => view.from + (px / width) * (view.to - view.from);
	const pace = $derived(paceOf(course, view, Math.max(40, Math.round(width / 3))));
	const fastest = $derived(Math.max(4, ...pace.speeds));
	const lanes = $derived(lanesOf(course));
	const count = $derived(Math.max(40, Math.round(width / 2)));
	const felt = $derived.by(() => {
		const { survey } = desk;
		if (!survey) return null;
		const most = (list: Float32Array | undefined): number => list?.reduce((a, b) => Math.max(a, b), 0) ?? 0;
		return survey.position.map((position, who) => {
			const rotation = survey.rotation[who]!;
			return {
				position: areaPath(
					columnsShown(position, course.seconds, view, count),
					Math.max(1e-3, most(position)),
					width,
					FELT / 2
				),
				rotation: areaPath(
					columnsShown(rotation, course.seconds, view, count),
					Math.max(1e-3, most(rotation)),
					width,
					FELT / 2
				),
				metres: most(position),
				degrees: most(rotation)
			};
		});
	});
	const plays = $derived(packed(desk.survey?.plays.filter((p) => p.who === 0) ?? [], ROWS));
	/** Two rows from the start: most courses fill them, and what is below would jump when the survey comes. */
	const rows = $derived(Math.max(2, ...plays.map((p) => p.row + 1)));
	const presetName = (id: string): string => desk.session.preset(id)?.name ?? id;

	function wheel(event: WheelEvent) {
		if (event.ctrlKey || event.metaKey) {
			event.preventDefault();
			const rect = root.getBoundingClientRect();
			desk.zoom(Math.exp(event.deltaY * 0.003), timeAt(event.clientX - rect.left - 132));
		} else if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
			event.preventDefault();
			desk.pan(((event.deltaX || event.deltaY) / width) * (view.to - view.from));
		}
	}
</script>

<section class="timeline" aria-label="Timeline" bind:this={root} onwheel={wheel}>
	<TimelineCorner {desk} {lanes} />
	<TimelineRuler {desk} {width} />
	<div class="lanes">
		<TimelineLabels
			{desk}
			{lanes}
			{flat}
			{felt}
			most={Math.max(...pace.speeds)}
			high={{ pace: PACE, felt: FELT, plays: rows * ROW + 6 }}
		/>
		<div class="tracks" bind:clientWidth={width}>
			<svg class="grid" aria-hidden="true">
				{#each marks.at as time (time)}<line x1={x(time)} x2={x(time)} y1="0" y2="100%" />{/each}
			</svg>
			<svg {width} height={PACE} class="pace" aria-hidden="true">
				<path d={areaPath(pace.speeds, fastest, width, PACE)} />
				{#each pace.gaits as g, i (i)}
					{#if (course.steps || course.trace) && x(g.to) - x(g.from) > 34}<text
							x={(x(g.from) + x(g.to)) / 2}
							y={PACE - 4}>{g.gait}</text
						>{/if}
				{/each}
			</svg>
			{#each felt ?? [] as f, who (who)}
				<svg {width} height={FELT} class="felt" aria-label="How strongly the camera moves">
					<path class="position" d={f.position} />
					<path class="rotation" d={f.rotation} transform="translate(0 {FELT}) scale(1 -1)" />
				</svg>
			{/each}
			<div class="plays" style:height="{rows * ROW + 6}px">
				{#each plays as { play, row }, i (i)}
					<span
						title="{presetName(play.preset)} at {play.strength.toFixed(2)}, {play.at.toFixed(2)}–{play.until.toFixed(
							2
						)} s"
						style:left="{x(play.at)}px"
						style:width="{Math.max(3, x(play.until) - x(play.at))}px"
						style:top="{3 + row * ROW}px"
						style:opacity={0.45 + 0.55 * Math.min(1, play.strength)}
						>{x(play.until) - x(play.at) > 46 ? presetName(play.preset) : ''}</span
					>
				{/each}
				{#await import('./UnfeltMarks.svelte') then { default: UnfeltMarks }}<UnfeltMarks
						{desk}
						{x}
						{presetName}
					/>{/await}
			</div>
			{#each lanes as id (id)}<EventLane {desk} {id} {width} />{/each}
			{#each course.values as value, i (value.parameter)}<ValueLane {desk} {value} {i} {width} />{/each}
			<b class="head" style:left="{x(desk.time)}px"></b>
		</div>
	</div>
</section>

<style>
	.timeline {
		display: grid;
		grid-template: 22px minmax(0, 1fr) / 132px minmax(0, 1fr);
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		overflow: hidden;
		min-height: 0;
	}
	.head {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 0;
		border-left: 2px solid var(--ink);
		margin-left: -1px;
		pointer-events: none;
	}
	.lanes {
		grid-column: 1 / -1;
		display: grid;
		grid-template-columns: 132px minmax(0, 1fr);
		overflow-y: auto;
		overflow-x: hidden;
		min-height: 0;
		align-items: start;
	}
	.tracks {
		position: relative;
		min-height: 100%;
		align-self: stretch;
		overflow: hidden;
	}
	.tracks > svg {
		display: block;
		border-bottom: 1px solid var(--rule);
	}
	.tracks > .pace,
	.tracks > .felt {
		box-sizing: content-box;
		margin-bottom: -1px;
	}
	.tracks > .grid {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		border: 0;
	}
	.grid line {
		stroke: var(--rule);
	}
	.pace path {
		fill: color-mix(in srgb, var(--ink-x) 22%, transparent);
		stroke: var(--ink-x);
	}
	.pace text {
		text-anchor: middle;
		font-size: 11px;
		fill: var(--ink-2);
	}
	.position {
		fill: var(--ink-y);
		opacity: 0.75;
	}
	.rotation {
		fill: var(--ink-pitch);
		opacity: 0.7;
	}
	.plays {
		position: relative;
		border-bottom: 1px solid var(--rule);
		overflow: hidden;
	}
	.plays span {
		position: absolute;
		height: 13px;
		border-radius: 3px;
		background: var(--word-preset);
		border-left: 2px solid var(--ink-yaw);
		color: var(--ink);
		font-size: 11px;
		line-height: 13px;
		padding-left: 3px;
		overflow: hidden;
		white-space: nowrap;
	}
</style>
