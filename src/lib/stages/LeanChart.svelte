<script lang="ts">
	/** The lean's answer: somebody turns for a while, strafes for a while, and stands. */
	import { clockOf, EYES, GameValues, newRig, RigRun, type Lean } from 'dinesis-runtime/tools';

	let { lean, unit }: { lean: Lean; unit: 'm' | 'px' } = $props();

	let [W, H] = $state([500, 300]);
	const [LEFT, RIGHT, TOP, FOOT] = [44, 46, 18, 26];
	const [HZ, SECONDS] = [120, 6];
	/** Turning from here to there, strafing from here to there, in seconds. */
	const TURNS = [0.4, 1.9] as const;
	const STRAFES = [3.2, 4.7] as const;
	const [RATE, SPEED] = [90, 1.6];

	const answer = $derived.by(() => {
		const run = new RigRun({ ...newRig('lean', 'Lean'), view: EYES, lean }, [], new GameValues());
		const body = new Float64Array(5);
		run.snap(body);
		const clock = clockOf(1 / HZ);
		const still = new Float64Array(7);
		const [roll, sway] = [new Float64Array(HZ * SECONDS + 1), new Float64Array(HZ * SECONDS + 1)];
		for (let i = 1; i <= HZ * SECONDS; i++) {
			const t = i / HZ;
			if (t > TURNS[0] && t <= TURNS[1]) body[3]! += RATE / HZ;
			// To the right of where one looks by now.
			const yaw = (body[3]! * Math.PI) / 180;
			if (t > STRAFES[0] && t <= STRAFES[1]) {
				body[0]! += (Math.cos(yaw) * SPEED) / HZ;
				body[2]! -= (Math.sin(yaw) * SPEED) / HZ;
			}
			run.advance(clock, { pose: body, speed: 0, grounded: true });
			run.sum(still);
			roll[i] = run.offset[5]!;
			sway[i] = run.offset[0]!;
		}
		return { roll, sway };
	});
	const most = (values: Float64Array, least: number): number =>
		values.reduce((m, v) => Math.max(m, Math.abs(v)), least) * 1.15;
	const rolls = $derived(most(answer.roll, 0.5));
	const sways = $derived(most(answer.sway, unit === 'px' ? 1 : 0.02));
	const x = (t: number): number => LEFT + (t / SECONDS) * (W - LEFT - RIGHT);
	const y = (part: number): number => TOP + ((1 - part) / 2) * (H - TOP - FOOT);
	const line = (values: Float64Array, full: number): string => {
		let d = '';
		for (let i = 0; i < values.length; i += 3)
			d += `${i === 0 ? 'M' : 'L'}${x(i / HZ).toFixed(1)} ${y(values[i]! / full).toFixed(1)}`;
		return d;
	};
	const swaySaid = $derived(
		unit === 'px' ? `${(sways / 1.15).toFixed(1)} px` : `${((sways / 1.15) * 100).toFixed(1)} cm`
	);
</script>

<div class="paper" bind:clientWidth={W} bind:clientHeight={H}>
	<svg viewBox="0 0 {W} {H}" role="img" aria-label="Roll and sway while somebody turns left, then strafes right">
		{#each [TURNS, STRAFES] as [from, to], i (i)}
			<rect x={x(from)} width={x(to) - x(from)} y={TOP} height={H - TOP - FOOT} />
			<text x={(x(from) + x(to)) / 2} y={TOP + 14} text-anchor="middle"
				>{i === 0 ? 'turns left, 90°/s' : 'strafes right, a walk'}</text
			>
		{/each}
		{#each [0, 1, 2, 3, 4, 5, 6] as t (t)}
			<line class="grid" x1={x(t)} x2={x(t)} y1={TOP} y2={H - FOOT} />
			<text x={x(t)} y={H - FOOT + 14} text-anchor="middle">{t}</text>
		{/each}
		<text x={W - RIGHT + 8} y={H - FOOT + 14}>s</text>
		<line class="zero" x1={LEFT} x2={W - RIGHT} y1={y(0)} y2={y(0)} />
		<text class="roll" x={LEFT - 5} y={y(1 / 1.15) + 4} text-anchor="end">{(rolls / 1.15).toFixed(1)}°</text>
		<text x={LEFT - 5} y={y(0) + 4} text-anchor="end">0</text>
		<text class="sway" x={W - RIGHT + 5} y={y(1 / 1.15) + 4}>{swaySaid}</text>
		<path class="roll" d={line(answer.roll, rolls)} />
		<path class="sway" d={line(answer.sway, sways)} />
		<text class="roll" x={x(TURNS[1]) + 26} y={y(0.62)}>roll, to the left</text>
		<text class="sway" x={x(STRAFES[1]) + 16} y={y(0.72)}>sway, to the right</text>
	</svg>
</div>

<style>
	.paper {
		height: 100%;
		min-height: 0;
		min-width: 0;
		overflow: hidden;
	}
	svg {
		display: block;
		width: 100%;
		height: 100%;
	}
	rect {
		fill: var(--lamp-wash);
		opacity: 0.55;
	}
	text {
		font-size: 11px;
		fill: var(--ink-2);
	}
	.grid {
		stroke: var(--rule);
		stroke-width: 0.7;
	}
	.zero {
		stroke: var(--rule-strong);
	}
	path {
		fill: none;
		stroke-width: 2.2;
	}
	path.roll {
		stroke: var(--ink-roll);
	}
	path.sway {
		stroke: var(--ink-x);
		stroke-dasharray: 6 3;
	}
	text.roll {
		fill: var(--ink-roll);
	}
	text.sway {
		fill: var(--ink-x);
	}
</style>
