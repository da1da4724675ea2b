<script lang="ts">
	/** The seam between A and B: left of it A, right of it B, in the same moment. */
	interface Props {
		/** How much of the width is A's. */
		part: number;
		onpart: (part: number) => void;
		/** The picture that it divides. */
		box: () => HTMLElement;
	}
	let { part, onpart, box }: Props = $props();

	const put = (wish: number): void => onpart(Math.min(0.97, Math.max(0.03, wish)));
	function drag(event: PointerEvent) {
		if (!(event.currentTarget as HTMLElement).hasPointerCapture(event.pointerId)) return;
		const rect = box().getBoundingClientRect();
		put((event.clientX - rect.left) / rect.width);
	}
	function step(event: KeyboardEvent) {
		const by = event.key === 'ArrowRight' ? 0.02 : event.key === 'ArrowLeft' ? -0.02 : 0;
		if (!by) return;
		event.preventDefault();
		put(part + by);
	}
</script>

<div
	class="seam"
	style:left="{part * 100}%"
	role="slider"
	tabindex="0"
	aria-label="Seam between A and B"
	aria-valuenow={Math.round(part * 100)}
	aria-valuemin="3"
	aria-valuemax="97"
	onpointerdown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
	onpointermove={drag}
	onkeydown={step}
>
	<b>A</b><b>B</b>
</div>

<style>
	.seam {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 16px;
		margin-left: -8px;
		cursor: ew-resize;
		touch-action: none;
		display: flex;
		justify-content: center;
		gap: 9px;
	}
	.seam::before {
		content: '';
		position: absolute;
		left: 7px;
		top: 0;
		bottom: 0;
		width: 2px;
		background: #f2b04a;
	}
	.seam b {
		position: relative;
		top: 8px;
		height: 20px;
		padding: 1px 6px;
		border-radius: 5px;
		background: rgb(14 24 36 / 78%);
		color: #ffd48a;
		font-size: 12px;
	}
</style>
