<script lang="ts">
	/** What the game's menu offers those who want less motion: a share of it by name, each with what it leaves out. */
	import X from '@lucide/svelte/icons/x';
	import type { PlayerSetting } from 'dinesis-runtime';
	import { WHOLE } from 'dinesis-runtime/tools';
	import { freeId, USUAL_PLAYERS } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Card from './Card.svelte';

	let { session }: { session: ProjectSession } = $props();

	const settings = $derived(session.settings);
	const list = $derived(settings.players);
	let name = $state<string>('');
	const PARTS = [
		['rotation', 'turns', 'Whether motion turns the camera'],
		['roll', 'tilts', 'Whether the horizon tilts'],
		['lens', 'lens', 'Whether the lens moves'],
		['bob', 'bob', 'Whether there is a head bob'],
		['gentle', 'gentle', 'Slower and rounder']
	] as const;

	function change(of: PlayerSetting, part: Partial<PlayerSetting>, mark: string | null = null) {
		settings.changePlayers(
			`Change “${of.name}”`,
			(all) => all.map((one) => (one.id === of.id ? { ...one, ...part } : one)),
			mark && `player ${of.id} ${mark}`
		);
		if (mark === null) session.seal();
	}
	function add(event: SubmitEvent) {
		event.preventDefault();
		const wish = name.trim();
		if (!wish) return;
		const id = freeId(wish, new Set(list.map((one) => one.id)));
		settings.changePlayers(`Offer “${wish}”`, (all) => [...all, { ...WHOLE, id, name: wish }]);
		session.seal();
		name = '';
	}
	function remove(of: PlayerSetting) {
		settings.changePlayers(`Offer “${of.name}” no more`, (all) => all.filter(({ id }) => id !== of.id));
		session.seal();
	}
	function usual() {
		settings.changePlayers('Offer players less motion', () => USUAL_PLAYERS);
		session.seal();
	}
</script>

<Card
	title="For players who want less motion"
	says="What the game’s menu offers, by name: it goes out with the kit, and setPlayer takes one by its id. The Review says what each comes to."
>
	{#if list.length > 0}
		<table>
			<thead>
				<tr
					><th scope="col">the menu says</th><th scope="col">share</th>{#each PARTS as [part, label, says] (part)}<th
							scope="col"
							title={says}>{label}</th
						>{/each}<th></th></tr
				>
			</thead>
			<tbody>
				{#each list as one (one.id)}
					<tr>
						<td
							><TextField
								aria-label="What the menu says"
								title="id: {one.id}"
								maxlength={120}
								value={one.name}
								onchange={(e) => {
									const wish = e.currentTarget.value.trim();
									if (wish) change(one, { name: wish });
									else e.currentTarget.value = one.name;
								}}
							/></td
						>
						<td
							><NumberField
								label="Share of {one.name}"
								look="cell"
								value={one.intensity * 100}
								unit="%"
								min={0}
								max={200}
								step={1}
								digits={0}
								reset={100}
								onchange={(percent, done) => {
									change(one, { intensity: percent / 100 }, 'share');
									if (done) session.seal();
								}}
							/></td
						>
						{#each PARTS as [part, label, says] (part)}
							<td
								><input
									type="checkbox"
									aria-label="{one.name}: {label}"
									title={says}
									checked={one[part]}
									onchange={(e) => change(one, { [part]: e.currentTarget.checked })}
								/></td
							>
						{/each}
						<td
							><button aria-label="Offer {one.name} no more" title="Offer it no more" onclick={() => remove(one)}
								><X size={13} /></button
							></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	{:else}
		<p>Nothing is offered yet. <Button onclick={usual}>Offer the usual ones</Button></p>
	{/if}
	<form onsubmit={add}>
		<TextField
			aria-label="Another one"
			placeholder="another one, as the menu says it"
			maxlength={120}
			bind:value={name}
		/>
		<Button type="submit" disabled={name.trim() === ''}>Offer</Button>
	</form>
</Card>

<style>
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 12.5px;
	}
	th {
		font-weight: 400;
		color: var(--ink-2);
		padding: 2px 4px;
	}
	th:first-child {
		text-align: left;
	}
	td {
		padding: 2px 4px;
		border-bottom: 1px solid var(--rule);
		text-align: center;
	}
	td:first-child > :global(input) {
		width: 100%;
	}
	td button {
		display: grid;
		place-items: center;
		width: 24px;
		height: 24px;
		border: 0;
		border-radius: 5px;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	p {
		margin: 4px 0;
		color: var(--ink-2);
	}
	form {
		display: flex;
		gap: 8px;
		margin-top: 8px;
	}
	form > :global(input) {
		flex: 1;
	}
</style>
