<script lang="ts">
	/** What it comes to for players who want less: each setting of the game's menu, judged as it would be seen. */
	import { onDestroy } from 'svelte';
	import type { PlayerSetting } from 'dinesis-runtime';
	import { WHOLE } from 'dinesis-runtime/tools';
	import { playerWords, USUAL_PLAYERS } from '$lib/documents';
	import { FIGURES, type FigureName } from '$lib/review';
	import { playersInWorker, type ForPlayer, type Making } from '$lib/workers/review';
	import Button from '$lib/ui/Button.svelte';
	import { limitOf, plain as short } from './figures-told';
	import NumbersTable from './NumbersTable.svelte';
	import type { ReviewState } from './review.svelte';

	let { desk, own }: { desk: ReviewState; own: Readonly<Partial<Record<string, number>>> } = $props();

	const SHOWN: readonly FigureName[] = ['percent', 'smear', 'roll', 'turning', 'sway', 'pumping', 'load'];
	const settings = $derived(desk.session.settings);
	const offered = $derived(settings.players);
	/** Those of the project, else what is usually offered. */
	const list = $derived<readonly PlayerSetting[]>(offered.length > 0 ? offered : USUAL_PLAYERS);
	const call = $derived(`runtime.setPlayer({ setting: '${offered[0]?.id}' })`);
	const rows = $derived([{ ...WHOLE, id: '', name: 'All motion' }, ...list]);
	let told = $state.raw<readonly ForPlayer[]>([]);
	let toldOf = $state.raw<readonly PlayerSetting[]>([]);
	let trouble = $state('');
	let making: Making<readonly ForPlayer[]> | null = null;
	const QUIET_MS = 200;

	$effect(() => {
		const [sent, asked, seed] = [desk.a?.sent, rows, desk.seed];
		if (!sent) return;
		const timer = setTimeout(() => void judge({ ...sent, player: undefined }, asked, seed), QUIET_MS);
		return () => clearTimeout(timer);
	});
	onDestroy(() => making?.cancel());
	async function judge(sent: Parameters<typeof playersInWorker>[0], asked: readonly PlayerSetting[], seed: number) {
		making?.cancel();
		trouble = '';
		const going = (making = playersInWorker(sent, asked, seed));
		try {
			const found = await going.done;
			if (making === going && found) [told, toldOf] = [found, asked];
		} catch (error) {
			if (making === going) trouble = error instanceof Error ? error.message : String(error);
		}
	}
	const figuresOf = (id: string): ForPlayer['figures'] | undefined =>
		told[toldOf.findIndex((one) => one.id === id)]?.figures;
	const isSeen = (setting: PlayerSetting): boolean =>
		setting.id === '' ? desk.player === null : desk.player?.id === setting.id;
</script>

<div class="players">
	{#if trouble}<p role="alert" class="wrong">{trouble}</p>{/if}
	<NumbersTable label="For players who want less" narrow>
		{#snippet head()}
			<th scope="col">as it is seen with</th>
			{#each SHOWN as name (name)}<th scope="col" title={FIGURES[name].says}
					>{FIGURES[name].label.replace('moves ', '')} <small>{FIGURES[name].unit}</small></th
				>{/each}
		{/snippet}

		{#each rows as setting (setting.id)}
			{@const figures = figuresOf(setting.id)}
			<tr class:picked={isSeen(setting)}>
				<th scope="row"
					><button
						aria-pressed={isSeen(setting)}
						title="Look at it so: {playerWords(setting)}"
						onclick={() => (desk.player = setting.id === '' ? null : setting)}>{setting.name}</button
					></th
				>
				{#each SHOWN as name (name)}
					{@const limit = limitOf(name, own)}
					<td class:over={figures && limit !== null && figures[name] > limit}>{figures ? short(figures[name]) : '…'}</td
					>
				{/each}
			</tr>
		{/each}
	</NumbersTable>
	{#if offered.length === 0}
		<p>
			The project offers nothing of this yet. These are what games usually offer; in the game
			<code>setPlayer</code> takes one by its id.
			<Button onclick={() => settings.changePlayers('Offer players less motion', () => USUAL_PLAYERS)}
				>Offer these</Button
			>
		</p>
	{:else}
		<p>
			They go out with the kit: in the game <code>{call}</code>.
			<a href="{desk.session.home}/project">Change them on the project’s page</a>.
		</p>
	{/if}
</div>

<style>
	.players {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 10px;
		align-content: start;
	}
	.wrong {
		color: var(--danger);
	}
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
</style>
