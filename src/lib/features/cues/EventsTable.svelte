<script lang="ts">
	/** The game's events and values, declared once, in a compact table. */
	import Plus from '@lucide/svelte/icons/plus';
	import { gameEvent, parameter } from 'dinesis-runtime/tools';
	import { freeId, rangeOf, type Range } from '$lib/documents';
	import type { GameEvent, GameParameter } from 'dinesis-runtime';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { CuesState } from './cues.svelte';

	/** `event:ID` or `value:ID` of what the address names. */
	let { desk, named = '' }: { desk: CuesState; named?: string } = $props();
	const inView = (here: boolean) => (row: HTMLElement) => {
		if (here) row.scrollIntoView?.({ block: 'center' });
	};
	/** Of a game value; of a number that an event carries. */
	const of = (name: string): Range => rangeOf(parameter, name);
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
	function setParameter(id: string, label: string, part: Partial<GameParameter>, done = true) {
		desk.session.rewire(
			label,
			(w) => ({ ...w, parameters: w.parameters.map((p) => (p.id === id ? { ...p, ...part } : p)) }),
			`parameter ${id} ${label}`
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
	function addParameter() {
		const id = freeId(
			'value',
			wiring.parameters.map((p) => p.id)
		);
		const made: GameParameter = { id, name: 'New value', min: 0, max: 1, rest: 0 };
		desk.session.rewire('New game value', (w) => ({ ...w, parameters: [...w.parameters, made] }));
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
		<caption>Events: what happens in the game <button onclick={addEvent}><Plus size={13} /> event</button></caption>
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
	<table>
		<caption
			>Game values: what is so all the time, more or less <button onclick={addParameter}
				><Plus size={13} /> value</button
			></caption
		>
		<thead><tr><th>name, and what the game sends</th><th>range</th><th>at rest</th><th></th></tr></thead>
		<tbody>
			{#each wiring.parameters as p (p.id)}
				<tr class:named={named === `value:${p.id}`} {@attach inView(named === `value:${p.id}`)}>
					<td
						><input
							aria-label="Name of the value"
							value={p.name}
							maxlength="120"
							onchange={(e) =>
								e.currentTarget.value.trim() && setParameter(p.id, 'Name', { name: e.currentTarget.value.trim() })}
						/><code>{p.id}</code></td
					>
					<td class="numbers"
						><NumberField
							look="inline"
							label=""
							name="Least {p.name}"
							value={p.min}
							{...of('min')}
							max={p.max}
							step={0.01}
							onchange={(min, done) => setParameter(p.id, 'Range', { min }, done)}
						/>
						–
						<NumberField
							look="inline"
							label=""
							name="Most {p.name}"
							value={p.max}
							{...of('max')}
							min={p.min}
							step={0.01}
							onchange={(max, done) => setParameter(p.id, 'Range', { max }, done)}
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
</div>

<style>
	td small {
		display: block;
		padding: 0 5px;
		color: var(--ink-2);
	}
	.named {
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
	table {
		border-collapse: collapse;
		width: 100%;
	}
	caption {
		text-align: left;
		font-weight: 600;
		padding-bottom: 4px;
	}
	th {
		text-align: left;
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
		padding: 2px 8px;
		border-bottom: 1px solid var(--rule-strong);
	}
	td {
		padding: 3px 8px;
		border-bottom: 1px solid var(--rule);
		vertical-align: top;
	}
	code {
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
	.numbers {
		white-space: nowrap;
	}
	.numbers span {
		display: block;
	}
	.numbers :global(.label) {
		display: none !important;
	}
	.count {
		text-align: right;
	}
	.none {
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
