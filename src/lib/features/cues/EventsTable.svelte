<script lang="ts">
	/** The game's events, declared once, in a compact table; its values below. */
	import Plus from '@lucide/svelte/icons/plus';
	import { gameEvent } from 'dinesis-runtime/tools';
	import { freeId, rangeOf, type Range } from '$lib/documents';
	import type { GameEvent } from 'dinesis-runtime';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { CuesState } from './cues.svelte';
	import ValuesTable from './ValuesTable.svelte';

	/** `event:ID` or `value:ID` of what the address names. */
	let { desk, named = '' }: { desk: CuesState; named?: string } = $props();
	const inView = (here: boolean) => (row: HTMLElement) => {
		if (here) row.scrollIntoView?.({ block: 'center' });
	};
	/** Of a number that an event carries. */
	const number = (name: string): Range => rangeOf(gameEvent, 'values', name);
	const wiring = $derived(desk.session.wiring);
	const used = (id: string): number => wiring.cues.filter((cue) => cue.event === id).length;

	function setEvent(id: string, label: string, part: Partial<GameEvent>, done = true) {
		desk.session.rewire(
			label,
			(w) => ({ ...w, events: w.events.map((e) => (e.id === id ? { ...e, ...part } : e)) }),
			`event ${id} ${label}`
		);
		if (done) desk.session.seal();
	}
	function addEvent() {
		const id = freeId(
			'event',
			wiring.events.map((e) => e.id)
		);
		const made: GameEvent = { id, name: 'New event', kind: 'moment', placed: true, tags: [], values: [] };
		desk.session.rewire('New event', (w) => ({ ...w, events: [...w.events, made] }));
	}
	function addNumber(event: GameEvent) {
		const id = freeId(
			'number',
			event.values.map((v) => v.id)
		);
		setEvent(event.id, 'Number', { values: [...event.values, { id, unit: '', min: 0, max: 10 }] });
	}
	/** A number's id is what the game sends: renamed here, every cue that names it follows. */
	function renameNumber(event: GameEvent, i: number, name: string) {
		const others = event.values.filter((_, k) => k !== i).map((v) => v.id);
		const before = event.values[i]!.id;
		const id = freeId(name, others);
		if (!name.trim() || id === before) return;
		desk.session.rewire('Name of a number', (w) => ({
			...w,
			events: w.events.map((e) =>
				e.id === event.id ? { ...e, values: e.values.map((v, k) => (k === i ? { ...v, id } : v)) } : e
			),
			cues: w.cues.map((cue) =>
				cue.event !== event.id
					? cue
					: {
							...cue,
							conditions: {
								...cue.conditions,
								values: cue.conditions.values.map((b) => (b.of === before ? { ...b, of: id } : b))
							},
							actions: cue.actions.map((a) =>
								a.kind === 'play' && typeof a.strength !== 'number' && a.strength.by === before
									? { ...a, strength: { ...a.strength, by: id } }
									: a
							)
						}
			)
		}));
		desk.session.seal();
	}
	const tagsOf = (text: string): string[] => [
		...new Set(
			text
				.split(',')
				.map((t) => t.trim().slice(0, 40))
				.filter(Boolean)
		)
	];
</script>

<div class="tables">
	<table>
		<caption>Events: what happens in the game <Button onclick={addEvent}><Plus size={13} /> event</Button></caption>
		<thead>
			<tr
				><th>name, and what the game sends</th><th>kind</th><th>place</th><th>carries</th><th>tags</th><th>cues</th><th
				></th></tr
			>
		</thead>
		<tbody>
			{#each wiring.events as event, place (event.id)}
				<tr class:named={named === `event:${event.id}`} {@attach inView(named === `event:${event.id}`)}>
					<td
						><input
							aria-label="Name of the event"
							value={event.name}
							maxlength="120"
							onchange={(e) =>
								e.currentTarget.value.trim() && setEvent(event.id, 'Name', { name: e.currentTarget.value.trim() })}
						/><code
							>{event.id}{#if desk.keyOf(place)}<kbd title="Test key: raises it here">{desk.keyOf(place)}</kbd
								>{/if}</code
						>{#each desk.session.findings.of('event', event.id) as { finding } (finding.check)}<small
								title={finding.sentence}>raised by nothing here</small
							>{/each}</td
					>
					<td>
						<Segments
							small
							label="Kind of {event.name}"
							value={event.kind}
							options={[
								{ value: 'moment', label: 'moment' },
								{ value: 'state', label: 'state' }
							]}
							onchange={(kind: GameEvent['kind']) => setEvent(event.id, 'Kind', { kind })}
						/>
					</td>
					<td
						><input
							type="checkbox"
							aria-label="{event.name} has a place"
							checked={event.placed}
							onchange={(e) => setEvent(event.id, 'Place', { placed: e.currentTarget.checked })}
						/></td
					>
					<td class="numbers">
						{#each event.values as value, i (i)}
							<span
								><input
									class="short"
									aria-label="Name of the number"
									value={value.id}
									maxlength="64"
									onchange={(e) => renameNumber(event, i, e.currentTarget.value)}
								/>
								<NumberField
									look="inline"
									label=""
									name="Least {value.id} of {event.name}"
									value={value.min}
									{...number('min')}
									max={value.max}
									step={0.05}
									onchange={(min, done) =>
										setEvent(
											event.id,
											'Range',
											{ values: event.values.map((v, k) => (k === i ? { ...v, min } : v)) },
											done
										)}
								/>
								–
								<NumberField
									look="inline"
									label=""
									name="Most {value.id} of {event.name}"
									value={value.max}
									{...number('max')}
									min={value.min}
									step={0.05}
									onchange={(max, done) =>
										setEvent(
											event.id,
											'Range',
											{ values: event.values.map((v, k) => (k === i ? { ...v, max } : v)) },
											done
										)}
								/>
								<input
									class="unit"
									aria-label="Unit of {value.id}"
									placeholder="unit"
									value={value.unit}
									maxlength="20"
									onchange={(e) =>
										setEvent(event.id, 'Unit', {
											values: event.values.map((v, k) => (k === i ? { ...v, unit: e.currentTarget.value.trim() } : v))
										})}
								/>
								<button
									class="out"
									aria-label="Take {value.id} out"
									onclick={() => setEvent(event.id, 'Number', { values: event.values.filter((_, k) => k !== i) })}
									>×</button
								></span
							>
						{/each}
						<button class="more" onclick={() => addNumber(event)}>+ number</button>
					</td>
					<td
						><input
							class="wide"
							aria-label="Tags of {event.name}"
							value={event.tags.join(', ')}
							onchange={(e) => setEvent(event.id, 'Tags', { tags: tagsOf(e.currentTarget.value) })}
						/></td
					>
					<td class="count">{used(event.id)}</td>
					<td
						><button
							class="out"
							aria-label="Take {event.name} out"
							title={used(event.id) > 0 ? 'Its cues stay and say that it is gone' : 'Take it out; undo brings it back'}
							onclick={() =>
								desk.session.rewire(`Take out ${event.name}`, (w) => ({
									...w,
									events: w.events.filter((e) => e.id !== event.id)
								}))}>×</button
						></td
					>
				</tr>
			{:else}
				<tr
					><td colspan="7" class="none">No event yet: a landing, a blow, a closing door. Each may carry numbers.</td
					></tr
				>
			{/each}
		</tbody>
	</table>
	<ValuesTable {desk} {named} />
</div>

<style>
	td small {
		display: block;
		padding: 0 5px;
		color: var(--ink-2);
	}
	.tables :global(.named) {
		background: var(--lamp-wash);
	}
	.tables {
		display: grid;
		gap: 18px;
		align-content: start;
		overflow: auto;
		min-height: 0;
		padding-right: 6px;
	}
	.tables :global(table) {
		border-collapse: collapse;
		width: 100%;
	}
	.tables :global(caption) {
		text-align: left;
		font-weight: 600;
		padding-bottom: 4px;
	}
	.tables :global(th) {
		text-align: left;
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
		padding: 2px 8px;
		border-bottom: 1px solid var(--rule-strong);
	}
	.tables :global(td) {
		padding: 3px 8px;
		border-bottom: 1px solid var(--rule);
		vertical-align: top;
	}
	.tables :global(code) {
		display: block;
		padding-left: 5px;
		font-size: 12px;
		color: var(--ink-2);
	}
	kbd {
		font: inherit;
		font-size: 11px;
		margin-left: 8px;
		border: 1px solid var(--brass);
		border-bottom-width: 2px;
		border-radius: 4px;
		padding: 0 4px;
		background: var(--cap-top);
	}
	.tables :global(.numbers) {
		white-space: nowrap;
	}
	.tables :global(.numbers span) {
		display: block;
	}
	.tables :global(.numbers .label) {
		display: none !important;
	}
	.count {
		text-align: right;
	}
	.tables :global(.none) {
		color: var(--ink-2);
		padding: 12px;
	}
	input:not([type='checkbox']) {
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		padding: 1px 4px;
		width: 11rem;
	}
	input:not([type='checkbox']):hover,
	input:not([type='checkbox']):focus {
		border-color: var(--rule-strong);
		background: var(--field);
	}
	input.short {
		width: 5.5rem;
	}
	input.unit {
		width: 3.4rem;
		color: var(--ink-2);
	}
	input.wide {
		width: 8rem;
	}
	button {
		display: inline-flex;
		align-items: center;
		gap: 3px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 0 8px;
		cursor: pointer;
		font-weight: 400;
	}
	button.out,
	button.more {
		border: 0;
		background: none;
		color: var(--lamp-text);
		padding: 0 3px;
	}
</style>
