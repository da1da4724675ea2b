<script lang="ts">
	/** The figures of the play that is looked at: as it is seen, what can make people unwell, each channel, what it costs. */
	import type { FigureName } from '$lib/review';
	import ChannelTable from './ChannelTable.svelte';
	import { channelRows, comfortRows, seenRows, short, writtenAs, type Row } from './figures-told';
	import FigureTable from './FigureTable.svelte';
	import JudgedBy from './JudgedBy.svelte';
	import type { ReviewState } from './review.svelte';

	interface Props {
		desk: ReviewState;
		own: Readonly<Partial<Record<string, number>>>;
		onpick: (figure: FigureName) => void;
	}
	let { desk, own, onpick }: Props = $props();

	const both = $derived(desk.b !== null);
	const seen = $derived(seenRows(desk.looks, own).map((row) => writtenAs(row, desk.written, desk.eyes.pixels)));
	const comfort = $derived(comfortRows(desk.looks, own));
	/** Why one would take the one or the other, in a sentence. */
	const verdict = $derived.by(() => {
		if (!both || !desk.looks.b) return '';
		const of = (side: Row['milder']): string[] =>
			[...seen, ...comfort].filter(({ milder }) => milder === side).map(({ label }) => label);
		const [a, b] = [of('a'), of('b')];
		const say = (name: string, list: string[]): string => `${name} is milder in ${list.length}: ${list.join(', ')}.`;
		if (a.length + b.length === 0) return 'In this play both are alike.';
		return [a.length > 0 ? say('A', a) : '', b.length > 0 ? say('B', b) : ''].filter(Boolean).join(' ');
	});
	const cost = $derived(desk.looks.a?.cost);
	const pick = (id: string): void => {
		if (id !== 'settles') onpick(id as FigureName);
	};
</script>

{#if desk.looks.a}
	{#if verdict}<p class="verdict" role="status">{verdict}</p>{/if}
	<JudgedBy {desk} />
	<div class="tables">
		<FigureTable label="As it is seen" rows={seen} {both} onpick={pick} />
		<FigureTable
			label="Comfort"
			rows={comfort}
			{both}
			onpick={pick}
			onlimit={({ id, label }, most, done) => {
				desk.session.settings.setLimit(id, most, label);
				if (done) desk.session.seal();
			}}
		/>
		<p class="about">
			Limits are our own judgement where the project says nothing else; they hold for the whole project. Slow sway and
			heave count between 0.1 and 0.5 Hz, where motion makes people sick soonest.
		</p>
		<ChannelTable rows={channelRows(desk.looks, desk.view)} {both} />
		{#if cost}
			<p>
				In the run-time about <b>{short(cost.micros)} µs</b> a frame on this machine{#if desk.looks.b}
					(B {short(desk.looks.b.cost.micros)}){/if}, at most <b>{cost.plays}</b>
				{cost.plays === 1 ? 'play' : 'plays'} at once{#if desk.looks.b}
					(B {desk.looks.b.cost.plays}){/if}.
			</p>
		{/if}
	</div>
{/if}

<style>
	.tables {
		display: grid;
		gap: 14px;
	}
	.verdict {
		margin: 0 0 10px;
		padding: 6px 10px;
		border-left: 3px solid var(--lamp);
		background: var(--lamp-wash);
	}
	p {
		margin: 0;
		font-size: 12.5px;
	}
	.about {
		margin-top: -8px;
		color: var(--ink-2);
	}
</style>
