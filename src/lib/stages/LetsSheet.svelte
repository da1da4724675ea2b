<script lang="ts">
	/** What a rig lets through of the shakes that cues play: by their tags, by channel, and a share of all. */
	import type { Rig } from 'dinesis-runtime';
	import { channelsOf, letsPass, rig as shape, viewOf, type LetsThrough } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import { inkOf } from '$lib/plots/inks';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import StageSheet from './StageSheet.svelte';

	interface Props {
		session: ProjectSession;
		rig: Rig;
		onchange: (lets: LetsThrough | null, mark: string, done: boolean) => void;
	}
	let { session, rig, onchange }: Props = $props();

	const ALL: LetsThrough = { only: [], not: [], share: 1, channels: {} };
	const lets = $derived(rig.lets ?? ALL);
	const view = $derived(viewOf(rig.view.kind));
	const shakes = $derived(session.presets.filter((p) => p.view === view));
	const passes = $derived(shakes.filter(({ tags }) => letsPass(lets, tags)).length);
	const tags = $derived.by(() => {
		const counts = new Map<string, number>([...lets.only, ...lets.not].map((tag) => [tag, 0]));
		for (const preset of shakes) for (const tag of preset.tags) counts.set(tag, (counts.get(tag) ?? 0) + 1);
		return [...counts]
			.sort(([a], [b]) => a.localeCompare(b))
			.map(([tag, count]) => ({ id: tag, label: tag, about: `${count} shake${count === 1 ? '' : 's'}` }));
	});
	const isAll = ({ only, not, share, channels }: LetsThrough): boolean =>
		only.length + not.length === 0 && share === 1 && Object.keys(channels).length === 0;
	function set(part: Partial<LetsThrough>, mark: string, done = true) {
		const next = { ...lets, ...part };
		// What lets all of it through says nothing.
		onchange(done && isAll(next) ? null : next, mark, done);
	}
	const LISTS = [
		{ list: 'only', word: 'only those tagged', none: 'any' },
		{ list: 'not', word: 'not those tagged', none: 'none' }
	] as const;
</script>

<StageSheet
	title="What it lets through"
	about="Of the shakes that cues play. What it does not let through plays on, and is seen again through another rig."
>
	{#each LISTS as { list, word, none } (list)}
		<div class="row">
			<span>{word}</span>
			<Popover label="{word}: {lets[list].join(', ') || none}" align="right">
				{#snippet button()}<span class="word">{lets[list].join(', ') || none}</span>{/snippet}
				<div class="list">
					<PickList
						label="Find a tag"
						groups={[{ entries: tags, none: 'No shake has a tag yet.' }]}
						taken={new Set(lets[list])}
						onpick={(tag) =>
							set(
								{ [list]: lets[list].includes(tag) ? lets[list].filter((t) => t !== tag) : [...lets[list], tag] },
								list
							)}
					/>
				</div>
			</Popover>
		</div>
	{/each}
	<p>{passes} of {shakes.length} are seen{lets.share === 0 ? ', with no share of them' : ''}.</p>
	<div class="tiles">
		<NumberField
			label="share of all"
			unit="×"
			value={lets.share}
			{...rangeOf(shape, 'lets', 'share')}
			step={0.01}
			reset={1}
			onchange={(share, done) => set({ share }, 'share', done)}
		/>
		{#each channelsOf(view) as channel (channel)}
			<NumberField
				label={inkOf(channel, view).label}
				name="Share of {inkOf(channel, view).label}"
				unit="×"
				value={lets.channels[channel] ?? 1}
				{...rangeOf(shape, 'lets', 'channels')}
				step={0.01}
				reset={1}
				onchange={(share, done) => {
					const others = Object.entries(lets.channels).filter(([name]) => name !== channel);
					set({ channels: Object.fromEntries(share === 1 ? others : [...others, [channel, share]]) }, channel, done);
				}}
			/>
		{/each}
	</div>
</StageSheet>

<style>
	.row {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 8px;
		min-height: 26px;
		font-size: 13px;
	}
	.word {
		display: inline-flex;
		align-items: center;
		min-height: 24px;
		max-width: 11rem;
		color: var(--ink-yaw);
		font-weight: 600;
	}
	.list {
		width: 15rem;
		padding: 4px;
	}
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
