<script lang="ts">
	/** What the stand-in game raises, and which of the project's events and values that is; how often it came in this run. */
	import { eventFrom, freeId, linkTo, PROJECT_ID, type HappeningKind, type WorldValueKind } from '$lib/documents';
	import { HAPPENINGS, WORLD_VALUES } from '$lib/world/happenings';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import Select from '$lib/ui/Select.svelte';
	import type { Counted } from './free.svelte';

	let { session, counted }: { session: ProjectSession; counted: Readonly<Record<string, Counted>> } = $props();

	const DECLARE = '*declare';
	const wiring = $derived(session.wiring);
	const linkOf = (kind: HappeningKind) => wiring.world.events.find((link) => link.from === kind.id);
	const valueOf = (kind: WorldValueKind) => wiring.world.values.find((link) => link.from === kind.id);
	/** Nothing, one that is there, or one that is declared for it. */
	const choicesOf = (there: readonly { readonly id: string; readonly name: string }[], name: string) => [
		{ value: '', label: '–' },
		...there.map((one) => ({ value: one.id, label: one.name })),
		{ value: DECLARE, label: `declare “${name}”` }
	];
	const fitting = (kind: HappeningKind) => wiring.events.filter((e) => e.kind === kind.kind);

	function link(kind: HappeningKind, to: string) {
		const id =
			to === DECLARE
				? freeId(
						kind.name,
						wiring.events.map((e) => e.id)
					)
				: to;
		const made = eventFrom(kind, id);
		session.rewire(to === DECLARE ? `Declare ${kind.name}` : 'What the world raises', (w) => {
			const events = to === DECLARE ? [...w.events, made] : w.events;
			const event = events.find((e) => e.id === id);
			const others = w.world.events.filter((l) => l.from !== kind.id);
			return { ...w, events, world: { ...w.world, events: event ? [...others, linkTo(kind, event)] : others } };
		});
		session.seal();
	}
	function linkValue(kind: WorldValueKind, to: string) {
		const id =
			to === DECLARE
				? freeId(
						kind.name,
						wiring.parameters.map((p) => p.id)
					)
				: to;
		session.rewire(to === DECLARE ? `Declare ${kind.name}` : 'What the world sets', (w) => {
			const made = { id, name: kind.name, min: 0, max: 1, rest: 0 };
			const parameters = to === DECLARE ? [...w.parameters, made] : w.parameters;
			const others = w.world.values.filter((l) => l.from !== kind.id);
			const values = id === '' ? others : [...others, { from: kind.id, parameter: id }];
			return { ...w, parameters, world: { ...w.world, values } };
		});
		session.seal();
	}
</script>

<FindingLines list={session.findings.of('project', PROJECT_ID).map(({ finding }) => finding)} />
<table>
	<thead><tr><th>in the world</th><th class="is">is your</th><th class="n">came</th></tr></thead>
	<tbody>
		{#each HAPPENINGS as kind (kind.id)}
			{@const seen = counted[kind.id]}
			<tr class:seen>
				<td title={kind.about}
					>{kind.name}{#if kind.kind === 'state'}<small> lasts</small>{/if}</td
				>
				<td
					><Select
						look="cell"
						label="{kind.name} is"
						value={linkOf(kind)?.event ?? ''}
						choices={choicesOf(fitting(kind), kind.name)}
						onchange={(to) => link(kind, to)}
					/></td
				>
				<td class="n"
					>{#if seen}{seen.times}×{#if seen.last !== null}<small>
								{seen.last.toFixed(1)} {kind.numbers[0]?.unit}</small
							>{/if}{/if}</td
				>
			</tr>
		{/each}
		{#each WORLD_VALUES as kind (kind.id)}
			<tr>
				<td title={kind.about}>{kind.name}<small> 0–1</small></td>
				<td colspan="2"
					><Select
						look="cell"
						label="{kind.name} sets"
						value={valueOf(kind)?.parameter ?? ''}
						choices={choicesOf(wiring.parameters, kind.name)}
						onchange={(to) => linkValue(kind, to)}
					/></td
				>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		border-collapse: collapse;
		table-layout: fixed;
		width: 100%;
		font-size: 12px;
	}
	th {
		text-align: left;
		font-weight: 400;
		color: var(--ink-2);
		font-size: 11px;
		border-bottom: 1px solid var(--rule-strong);
	}
	td {
		padding: 0 3px 0 0;
		border-bottom: 1px solid var(--rule);
		white-space: nowrap;
		height: 20px;
	}
	.n {
		text-align: right;
		width: 74px;
	}
	.is {
		width: 112px;
	}
	td:first-child {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	small {
		margin-left: 4px;
		color: var(--ink-2);
		font-size: 11px;
	}
	.seen td:first-child {
		font-weight: 600;
	}
</style>
