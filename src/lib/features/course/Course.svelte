<script lang="ts">
	/** A stretch of gameplay: played, scrubbed, changed on the map and the timeline; or walked through oneself. */
	import { onMount, untrack } from 'svelte';
	import { EYE_HEIGHT, isBob, isLag } from 'dinesis-runtime/tools';
	import { movedAt } from '$lib/world/moving';
	import { TRACE_NUMBERS } from '$lib/course';
	import { type Way } from '$lib/documents';
	import { stillEye } from '$lib/viewport/eye';
	import { courseKey } from '$lib/session/courses.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import type { GameThere } from '$lib/wire/pages';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import { useCommands } from '$lib/ui/commands.svelte';
	import { CourseWorker } from '$lib/workers/course';
	import { CourseState, eyesOf } from './course.svelte';
	import { courseCommands } from './commands';
	import CourseFirst from './CourseFirst.svelte';
	import CourseHead from './CourseHead.svelte';
	import CourseMap from './CourseMap.svelte';
	import CourseSheet from './CourseSheet.svelte';
	import CourseTransport from './CourseTransport.svelte';
	import type { PadFrame } from './free-pad';
	import { FreePlay } from './free.svelte';
	import type { LivePlay } from './live.svelte';
	import RunWindow from '$lib/viewport/RunWindow.svelte';
	import Timeline from './Timeline.svelte';

	interface Props {
		session: ProjectSession;
		/** The course in the address; empty: the first one. */
		id: string;
		onopen: (id: string) => void;
	}
	let { session, id, onopen }: Props = $props();

	const worker = new CourseWorker();
	const desk = untrack(() => new CourseState(session, worker));
	const free = untrack(() => new FreePlay(session));
	/** A running game that is looked on; null: none was yet. */
	let live = $state.raw<LivePlay | null>(null);
	const watch = () => import('./live.svelte');
	const liveSheet = () => import('./LiveSheet.svelte');
	const commands = useCommands();
	/** What gamepads do in a free run; fetched after the first paint. */
	let withPads: PadFrame = () => undefined;
	const bobSheet = () => import('$lib/stages/BobSheet.svelte');
	const lagSheet = () => import('$lib/stages/LagSheet.svelte');
	const freeSheet = () => import('./FreeSheet.svelte');
	const course = $derived(desk.course);
	/** What is chosen on the map or the timeline comes first. */
	const tuned = $derived(desk.chosen ? undefined : session.bobsAndLags.find((preset) => preset.id === desk.tuning));
	const looksOn = $derived(live !== null && live.phase !== 'idle');
	const going = $derived(free.phase !== 'idle' || looksOn);
	let freeViewers = $state(1);
	/** Names of what plays in the picture. */
	let heard = $state('');
	let unknown = $derived(session.courses.order !== null && id !== '' && !session.courses.get(id));
	const viewers = $derived(looksOn ? (live?.game?.viewers ?? 1) : going ? freeViewers : course?.second ? 2 : 1);

	$effect(() => {
		const { order } = session.courses;
		if (!order) return;
		const wanted = id !== '' && session.courses.get(id) ? id : (order[0] ?? '');
		untrack(() => desk.open(wanted));
		if (wanted) session.look(courseKey(wanted));
	});
	$effect(() => {
		void [course, session.wiring, session.presets, session.bobsAndLags, desk.seed];
		untrack(() => desk.surveySoon());
	});
	$effect(() => {
		void [session.wiring, session.bobsAndLags];
		untrack(() => free.rewire());
	});
	$effect(() => {
		void session.played;
		untrack(() => live?.rewire());
	});
	/** Another room sent one here to look at a game. */
	$effect(() => {
		const game = session.wire?.games.find(({ id }) => id === session.wire?.lookAt);
		if (!game) return;
		untrack(() => {
			session.wire!.lookAt = '';
			if (free.phase === 'idle') void lookOn(game);
		});
	});
	async function lookOn(game: GameThere) {
		desk.playing = false;
		const { LivePlay } = await watch();
		live ??= new LivePlay(session, (take, why) => {
			if (take) void keepTake(take, `${why} What was recorded up to there is kept.`);
			else session.say(why);
		});
		live.begin(game);
	}

	/** Where one stands while there is no course: on the landing, looking out to sea. */
	const STANDING = stillEye(0, EYE_HEIGHT, 3.4);
	let idle = 0;
	const wayPoints = (way: Way): number[] => {
		if (!way.trace) return way.path.flatMap((p) => [p.x, p.y, p.z]);
		const out: number[] = [];
		for (let i = 0; i < way.trace.poses.length; i += TRACE_NUMBERS * 15) out.push(...way.trace.poses.slice(i, i + 3));
		return out;
	};
	const ways = $derived(
		going || !course ? [] : [wayPoints(course), ...(course.second ? [wayPoints(course.second)] : [])]
	);
	const bodies = (): readonly { readonly pose: Float64Array }[] =>
		looksOn ? (live?.bodies() ?? []) : going ? free.bodies() : (desk.frame(0)?.bodies ?? []);

	function frame(dt: number) {
		if (looksOn && live) {
			live.frame(dt);
			const eyes = live.eyes();
			return { eyes: eyes.length > 0 ? eyes : [STANDING], time: live.seconds, moving: null };
		}
		if (free.phase === 'going') {
			withPads(dt, freeViewers, () => void endFree(true));
			free.frame(dt);
			return { eyes: free.eyes(), time: free.seconds, moving: free.moving };
		}
		const run = desk.frame(dt);
		if (!run) return { eyes: [STANDING], time: (idle += dt), moving: null };
		const playing = run.director.viewers[0]!.player.plays.filter((play) => play.level > 0.01).map(
			(play) => session.preset(play.presetId)?.name ?? play.presetId
		);
		const said =
			playing.length > 3 ? `${playing.slice(0, 3).join(' · ')} and ${playing.length - 3} more` : playing.join(' · ');
		if (said !== heard) heard = said;
		const { things } = run.course;
		return { eyes: eyesOf(run), time: run.now, moving: things ? movedAt(things, run.now) : null };
	}
	const caption = $derived(
		looksOn
			? live?.phase === 'waiting'
				? 'getting ready …'
				: `${live?.game?.game ?? ''}, as it runs`
			: going
				? free.phase === 'loading'
					? 'getting ready …'
					: free.offer !== '' && !free.uses
						? `F ${free.offer}`
						: (free.said[0] ?? 'walk, climb, jump, row, push a cask over the edge')
				: heard || (course ? 'nothing plays' : 'no course yet: make one, or walk a free run')
	);

	async function beginFree(count: number) {
		if (going) return;
		desk.playing = false;
		freeViewers = count;
		await free.begin(count, course?.areas, course?.rig);
	}
	async function endFree(keep: boolean) {
		const number = session.courses.list.filter((c) => c.trace).length + 1;
		const take = free.end(`Take ${number}`);
		if (!take) return;
		if (!keep)
			return session.say('The run was thrown away.', { label: 'Keep it after all', run: () => void keepTake(take) });
		await keepTake(take);
	}
	async function keepTake(take: Parameters<typeof session.courses.add>[0], said = '') {
		const made = await session.courses.add(
			take,
			take.recording ? 'recorded from a running game' : 'recorded in a free run'
		);
		if (said) session.say(said);
		if (made) onopen(made);
		else session.say('The take could not be kept.', { label: 'Try again', run: () => void keepTake(take) });
	}
	function keepLive() {
		const take = live?.take();
		live?.end();
		if (take) void keepTake(take);
		else session.say('It was too short for a take.');
	}

	onMount(() => {
		void session.courses.fetch();
		fetchAfterPaint(freeSheet, bobSheet, lagSheet, async () => {
			const { padFrame } = await import('./free-pad');
			withPads = padFrame(session, free);
		});
		const takeBack = commands.offer(
			courseCommands({ desk, free, begin: (count) => void beginFree(count), end: () => void endFree(true) })
		);
		return () => {
			takeBack();
			const kept = live?.take();
			live?.end();
			if (kept && kept.seconds > 2) void session.courses.add(kept, 'recorded from a running game');
			const left = free.end('Take');
			if (left && left.seconds > 2) void session.courses.add(left, 'recorded in a free run');
			desk.dispose();
			worker.close();
		};
	});
</script>

<div class="room" class:going class:on={looksOn}>
	<CourseHead {desk} {worker} {going} {onopen} onfree={beginFree} />
	<main>
		<RunWindow
			{frame}
			{ways}
			{viewers}
			{caption}
			steered={free.phase !== 'idle'}
			blank={looksOn || (!going && course?.recording !== undefined)}
			onlook={(left, up) => free.look(left, up)}
		/>
		{#if !looksOn}<CourseMap {desk} {bodies} still={going} />{/if}
		{#if looksOn && live}
			{#await liveSheet() then { default: LiveSheet }}<LiveSheet
					{session}
					{live}
					onkeep={keepLive}
					onend={() => live?.end()}
				/>{/await}
		{:else if going}
			{#await freeSheet() then { default: FreeSheet }}<FreeSheet {session} {free} onend={endFree} />{/await}
		{:else if tuned && isBob(tuned)}
			{#await bobSheet() then { default: BobSheet }}<BobSheet
					{session}
					bob={tuned}
					onback={() => (desk.tuning = '')}
				/>{/await}
		{:else if tuned && isLag(tuned)}
			{#await lagSheet() then { default: LagSheet }}<LagSheet
					{session}
					lag={tuned}
					onback={() => (desk.tuning = '')}
				/>{/await}
		{:else if course}
			<CourseSheet {desk} />
		{:else}
			<CourseFirst
				arriving={session.courses.order === null}
				onfree={() => void beginFree(1)}
				onnew={() => void session.courses.addNew().then((made) => made && onopen(made))}
			/>
		{/if}
	</main>
	{#if unknown}<p class="unknown" role="alert">
			There is no course “{id}” in this project; the first one is shown.
		</p>{/if}
	{#if course && !going}
		<CourseTransport {desk} onmade={onopen} />
		<Timeline {desk} />
	{/if}
</div>

<style>
	.room {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(260px, 46vh) auto minmax(0, 1fr);
		gap: 0;
		padding-bottom: 12px;
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1.75fr) minmax(0, 0.9fr) 268px;
		gap: 10px;
		padding: 10px 14px 0;
		min-height: 0;
	}
	/* A free run has the whole page: the picture large, map and table beside it. */
	.going {
		grid-template-rows: 48px minmax(0, 1fr);
	}
	.going main {
		grid-template: minmax(0, 0.42fr) minmax(0, 0.58fr) / minmax(0, 1fr) 316px;
	}
	.on.going main {
		grid-template: minmax(0, 1fr) / minmax(0, 1fr) 316px;
	}
	.going main > :global(:first-child) {
		grid-row: 1 / -1;
	}
	.room :global(.timeline) {
		margin: 0 14px;
	}
	.unknown {
		margin: 6px 14px 0;
		padding: 2px 8px;
		background: var(--lamp-wash);
		border-left: 3px solid var(--lamp);
	}
	@media (max-width: 1180px) {
		.room:not(.going) main {
			grid-template-columns: minmax(0, 1.5fr) minmax(0, 0.8fr) 250px;
		}
	}
</style>
