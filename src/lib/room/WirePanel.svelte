<script lang="ts">
	/** The games on the wire: what each is, what came of events, those that the project does not know, what was played. */
	import type { ProjectSession } from '$lib/session/session.svelte';
	import type { Wire } from '$lib/session/wire.svelte';
	import type { GameThere } from '$lib/wire/pages';
	import { learnedOf, withLearned, type Learned } from '$lib/session/wire-events';
	import Button from '$lib/ui/Button.svelte';

	let { session, wire, close }: { session: ProjectSession; wire: Wire; close: () => void } = $props();

	const MOST = 40;
	const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
	const learned = $derived(learnedOf(wire.counted, session.wiring.events));
	const asks = (one: Learned): boolean => !one.known || one.numbers.some(({ state }) => state !== 'within');
	const strange = $derived(learned.filter(asks));
	const usual = $derived(learned.filter((one) => !asks(one)));
	const short = (value: number): string => String(Number(value.toPrecision(3)));
	const lines = (one: Learned): string =>
		one.numbers
			.map(({ id, least, most }) => `${id} ${least === most ? short(least) : `${short(least)}–${short(most)}`}`)
			.join(', ');

	function look({ id }: GameThere) {
		wire.lookAt = id;
		close();
	}
	function learn(one: Learned) {
		const name = session.wiring.events.find((e) => e.id === one.event)?.name ?? one.event;
		session.rewire(one.known ? `Ranges of ${name}` : `Event ${one.event}`, (w) =>
			withLearned(w, one.event, wire.counted[one.event]!)
		);
		session.seal();
	}
</script>

<div class="wire">
	{#each wire.games as game (game.id)}
		<section>
			<h3>{game.game}</h3>
			<p>
				since {clock.format(game.since)}, began with “{game.kit}”{game.version
					? `, ${game.version}`
					: ''}{game.viewers === 2 ? ', two players' : ''}
			</p>
			<a class="look" href="{session.home}/course" onclick={() => look(game)}>Look on, and record</a>
		</section>
	{/each}
	<p>
		{#if wire.delay !== null}A change here is in the game within <b>{Math.max(1, Math.round(wire.delay))} ms</b>, there
			and back.
		{:else}What you change here is in the game with its next frame.{/if}
		{#if wire.skipped > 0}{wire.skipped} frames were left out for this page.{/if}
	</p>
	<label
		><input type="checkbox" bind:checked={wire.firesHere} /> fire what happens there on the Bench too, by the cues as they
		are here</label
	>
	{#if strange.length > 0}
		<h4>Not as the project has it</h4>
		<ul>
			{#each strange.slice(0, MOST) as one (one.event)}
				<li class="strange">
					<span
						><code>{one.event}</code>
						{one.times}×<small>{one.known ? 'outside: ' : 'not in the project; '}{lines(one) || 'no numbers'}</small
						></span
					>
					<Button onclick={() => learn(one)}>{one.known ? 'Widen' : 'Make it'}</Button>
				</li>
			{/each}
		</ul>
	{/if}
	{#if usual.length > 0}
		<h4>What came</h4>
		<ul>
			{#each usual.slice(0, MOST) as one (one.event)}
				<li>
					<span
						><a href={session.addressOf('event', one.event)} onclick={close}><code>{one.event}</code></a>
						{one.times}×<small>{lines(one)}</small></span
					>
				</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.wire {
		width: min(24rem, 90vw);
		max-height: 70vh;
		overflow: auto;
		display: grid;
		gap: 6px;
		padding: 6px 8px;
		font-size: 13px;
	}
	section {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0 8px;
		align-items: center;
	}
	h3 {
		margin: 0;
		font: 600 14px var(--text);
	}
	section p {
		grid-row: 2;
	}
	.look {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		padding: 4px 10px;
		background: var(--field);
		color: inherit;
		text-decoration: none;
	}
	.look {
		grid-row: 1 / 3;
		grid-column: 2;
	}
	h4 {
		margin: 4px 0 0;
		font: 600 12.5px var(--text);
	}
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	label {
		display: flex;
		align-items: baseline;
		gap: 6px;
		font-size: 12.5px;
	}
	input {
		accent-color: var(--lamp);
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		min-height: 26px;
		border-top: 1px solid var(--rule);
	}
	.strange {
		border-left: 3px solid var(--lamp);
		padding-left: 8px;
	}
	small {
		margin-left: 8px;
		color: var(--ink-2);
	}
	code {
		font:
			12px ui-monospace,
			monospace;
	}
</style>
