<script lang="ts">
	/** What figures are judged by: how large the picture is, how often it comes, what counts as out of place and as smeared. */
	import { EYES, type Eyes } from '$lib/review';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();
	const set = (part: Partial<Eyes>): void => {
		desk.eyes = { ...desk.eyes, ...part };
	};
	const own = $derived((Object.keys(EYES) as (keyof Eyes)[]).some((name) => desk.eyes[name] !== EYES[name]));
</script>

<div class="judged">
	<Segments
		small
		label="How far is written in"
		value={desk.written}
		options={[
			{ value: 'percent', label: '%', title: 'Of the picture’s height' },
			{ value: 'pixels', label: 'px', title: `Of a picture ${desk.eyes.pixels} pixels high` },
			{ value: 'degrees', label: '°', title: 'As an angle, of a picture 60° high' }
		]}
		onchange={(written) => (desk.written = written)}
	/>
	<Popover label="Judged by" look="chip" align="right" title="What figures are judged by">
		{#snippet button()}{desk.eyes.pixels} px, {desk.eyes.pictures} a second{/snippet}
		<div class="body">
			<NumberField
				label="picture’s height"
				unit="px"
				look="inline"
				value={desk.eyes.pixels}
				min={100}
				max={10000}
				step={10}
				digits={0}
				reset={EYES.pixels}
				onchange={(pixels) => set({ pixels })}
			/>
			<NumberField
				label="pictures a second"
				look="inline"
				value={desk.eyes.pictures}
				min={10}
				max={480}
				step={1}
				digits={0}
				reset={EYES.pictures}
				hint="A path within one of them, shutter half open, is what smears"
				onchange={(pictures) => set({ pictures })}
			/>
			<NumberField
				label="out of place from"
				unit="%"
				look="inline"
				value={desk.eyes.share * 100}
				min={0.1}
				max={100}
				step={0.1}
				digits={1}
				reset={EYES.share * 100}
				onchange={(percent) => set({ share: percent / 100 })}
			/>
			<NumberField
				label="smeared from"
				unit="px"
				look="inline"
				value={desk.eyes.smear}
				min={1}
				max={1000}
				step={1}
				digits={0}
				reset={EYES.smear}
				onchange={(smear) => set({ smear })}
			/>
			{#if own}<Button onclick={() => (desk.eyes = EYES)}>As at first</Button>{/if}
		</div>
	</Popover>
</div>

<style>
	.judged {
		display: flex;
		gap: 8px;
		align-items: center;
		justify-content: flex-end;
		margin-bottom: 6px;
	}
	.body {
		display: grid;
		gap: 8px;
		padding: 8px;
		min-width: 14rem;
		justify-items: start;
	}
</style>
