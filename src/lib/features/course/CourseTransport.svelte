<script lang="ts">
	/** Time on the course: play, where one is, how fast; the part that is played again and again; a take made a course. */
	import { recordingOf, takeToCourse, trimCourse } from '$lib/course';
	import PlayButtons from '$lib/room/PlayButtons.svelte';
	import type { CourseState } from './course.svelte';
	import { clockOf } from './lanes';

	let { desk, onmade }: { desk: CourseState; onmade: (id: string) => void } = $props();

	const session = $derived(desk.session);
	const course = $derived(desk.course!);

	function trim() {
		const { part } = desk;
		if (!part || !course) return;
		desk.change('Trim', (c) => trimCourse(c, part.from, part.to));
		desk.done();
		desk.part = null;
		desk.scrub(0);
	}
	/** Games on the wire that play what they are sent. */
	const players = $derived((session.wire?.games ?? []).filter((game) => game.takes));
	function playThere() {
		const [game] = players;
		const stop = session.wire!.listen({
			take: (id, state, why) => {
				if (id !== game!.id) return;
				if (state === 'refused') session.say(`“${game!.game}” does not play it. ${why}`);
				if (state === 'done') session.say(`“${game!.game}” has played it.`);
				if (state !== 'begun') stop();
			}
		});
		session.wire!.playTake(game!.id, recordingOf(session.played, course));
	}

	async function makeCourse() {
		if (!course) return;
		const name = `${course.name}, as a course`.slice(0, 120);
		const made = await session.courses.add(
			{ ...takeToCourse(course), name, about: course.about },
			`made from ${course.name}`
		);
		if (made) onmade(made);
	}
</script>

<div class="transport">
	<PlayButtons
		playing={desk.playing}
		onbegin={() => desk.scrub(0)}
		onplay={() => desk.togglePlay()}
		onstep={() => desk.scrub(desk.time + 1 / 60)}
		speed={desk.speed}
		speeds={[0.1, 0.25, 1, 2]}
		onspeed={(v) => (desk.speed = v)}
	>
		<output class="clock" data-testid="clock"
			>{clockOf(desk.time, 0.01)} <small>of {clockOf(course.seconds, 1)} s</small></output
		>
	</PlayButtons>
	{#if desk.part}
		<span class="part">again and again {desk.part.from.toFixed(2)}–{desk.part.to.toFixed(2)} s</span>
		<button class="small" onclick={trim} title="Throw away what is before and behind; undo brings it back"
			>Trim to it</button
		>
		<button class="small" onclick={() => (desk.part = null)}>Whole</button>
	{:else}
		<span class="hint">Shift and drag on the ruler chooses a part</span>
	{/if}
	<span class="push"></span>
	{#if players.length > 0}<button
			class="small"
			onclick={playThere}
			title="“{players[0]!.game}” plays this again, with what is tuned">Play in the game</button
		>{/if}
	{#if course.trace}<button
			class="small"
			onclick={makeCourse}
			title="Places with speeds and pauses that can be changed one by one">Make it a course</button
		>{/if}
</div>

<style>
	.transport {
		display: flex;
		align-items: center;
		gap: 8px;
		padding: 6px 14px;
		min-height: 40px;
	}
	.clock {
		font-size: 16px;
		font-weight: 600;
		min-width: 106px;
	}
	.clock small {
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
	}
	.small {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 9px;
		cursor: pointer;
	}
	.push {
		flex: 1;
	}
	.part,
	.hint {
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
