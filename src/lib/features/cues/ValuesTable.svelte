<script lang="ts">
	/** The game's values, declared once: what is so all the time, more or less. Its look is that of the tables it stands among. */
	import Plus from '@lucide/svelte/icons/plus';
	import type { GameParameter } from 'dinesis-runtime';
	import { parameter } from 'dinesis-runtime/tools';
	import { freeId, rangeOf, type Range } from '$lib/documents';
	import IdField from '$lib/room/IdField.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { Naming } from '$lib/ui/naming';
	import NumberField from '$lib/ui/NumberField.svelte';
	import LeastMost from './LeastMost.svelte';
	import type { CuesState } from './cues.svelte';

	/** `value:ID` of what the address names. */
	let { desk, named }: { desk: CuesState; named: string } = $props();

	const inView = (here: boolean) => (row: HTMLElement) => {
		if (here) row.scrollIntoView?.({ block: 'center' });
	};
	const of = (name: string): Range => rangeOf(parameter, name);
	const wiring = $derived(desk.session.wiring);

	function setParameter(id: string, label: string, part: Partial<GameParameter>, done = true) {
		desk.session.rewire(
			label,
			(w) => ({ ...w, parameters: w.parameters.map((p) => (p.id === id ? { ...p, ...part } : p)) }),
			`parameter ${id} ${label}`
		);
		if (done) desk.session.seal();
	}
	const heldOf = (id: string) => desk.session.standing.one('value', id);
	const naming = new Naming();
	function addParameter() {
		const id = freeId(
			'value',
			wiring.parameters.map((p) => p.id)
		);
		const made: GameParameter = { id, name: 'New value', min: 0, max: 1, rest: 0 };
		desk.session.rewire('New game value', (w) => ({ ...w, parameters: [...w.parameters, made] }));
		naming.begin(id);
	}
</script>

<table>
	<caption
		>Game values: what is so all the time, more or less <Button onclick={addParameter}><Plus size={13} /> value</Button
		></caption
	>
	<thead><tr><th>name, and what the game sends</th><th>range</th><th>at rest</th><th></th></tr></thead>
	<tbody>
		{#each wiring.parameters as p (heldOf(p.id)?.uuid ?? p.id)}
			<tr class:named={named === `value:${p.id}`} {@attach inView(named === `value:${p.id}`)}>
				<td
					><input
						class="quiet"
						aria-label="Name of the value"
						value={p.name}
						{@attach naming.at(p.id)}
						maxlength="120"
						onchange={(e) =>
							e.currentTarget.value.trim() && setParameter(p.id, 'Name', { name: e.currentTarget.value.trim() })}
					/><span class="sent"
						>{#if heldOf(p.id)}<IdField session={desk.session} held={heldOf(p.id)!} name={p.name} />{/if}</span
					></td
				>
				<td class="numbers"
					><LeastMost
						of={p.name}
						least={p.min}
						most={p.max}
						ranges={{ min: of('min'), max: of('max') }}
						step={0.01}
						onchange={(part, done) => setParameter(p.id, 'Range', part, done)}
					/></td
				>
				<td
					><NumberField
						look="inline"
						label=""
						name="{p.name} at rest"
						value={p.rest}
						min={p.min}
						max={p.max}
						step={0.01}
						onchange={(rest, done) => setParameter(p.id, 'Rest', { rest }, done)}
					/></td
				>
				<td
					><button
						class="out"
						aria-label="Take {p.name} out"
						onclick={() =>
							desk.session.rewire(`Take out ${p.name}`, (w) => ({
								...w,
								parameters: w.parameters.filter((q) => q.id !== p.id)
							}))}>×</button
					></td
				>
			</tr>
		{:else}
			<tr><td colspan="4" class="none">No game value yet: cold, fear, fatigue.</td></tr>
		{/each}
	</tbody>
</table>

<style>
	.quiet {
		width: 11rem;
	}
</style>
