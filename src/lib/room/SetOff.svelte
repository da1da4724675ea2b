<script lang="ts">
	/** What sets a shake off: the events of its cues, the rigs whose own motion it is; and a cue more, made at once. */
	import type { ShakePreset } from 'dinesis-runtime';
	import { withAnswer, withNewEvent } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	let { session, preset }: { session: ProjectSession; preset: ShakePreset } = $props();

	const eventName = (id: string): string => session.wiring.events.find((event) => event.id === id)?.name ?? id;
	const by = $derived([
		...new Set(
			session.wiring.cues
				.filter((cue) => cue.actions.some((a) => a.kind === 'play' && a.pick.some((p) => p.preset === preset.id)))
				.map((cue) => eventName(cue.event))
		),
		...session.wiring.rigs
			.filter((rig) => rig.motion.some((entry) => entry.preset === preset.id))
			.map((rig) => `${rig.name} (while one looks through it)`)
	]);
	const uses = $derived(session.usesOf(preset.id));
	const said = $derived(by.length === 0 ? 'nothing yet' : by.length === 1 ? by[0]! : `${by.length} things`);
	const entries = $derived(
		session.wiring.events.map((event) => ({
			id: event.id,
			label: event.name,
			about: event.kind === 'state' ? 'while it lasts' : 'when it happens',
			words: [event.id, ...event.tags].join(' ')
		}))
	);

	function told(name: string) {
		session.seal();
		session.say(`${name} sets off ${preset.name} now.`);
	}
	function setOffBy(id: string) {
		const event = session.wiring.events.find((one) => one.id === id);
		if (!event) return;
		session.rewire('Set off by an event', (w) => withAnswer(w, event, preset.id).wiring);
		told(event.name);
	}
	function setOffByNew(name: string) {
		const goesOn = preset.timing.mode === 'continuous';
		session.rewire('Set off by a new event', (w) => withNewEvent(w, name, preset.id, goesOn).wiring);
		told(name);
	}
</script>

<span class="root"
	><Popover label="Set off by: {by.join(', ') || 'nothing yet'}" title="What sets it off, and a cue more">
		{#snippet button()}<span class="by">set off by {said}</span>{/snippet}
		{#snippet children(close)}
			<div class="list">
				{#if by.length > 0}<p>Set off by {by.join(', ')}.</p>{/if}
				{#if uses.length > 0}<p>
						<a href="{session.home}/cues" title="A change here is felt there: cue {uses.join(', ')}"
							>in {uses.length === 1 ? 'one cue' : `${uses.length} cues`}</a
						>
					</p>{/if}
				<PickList
					label="Set off by …"
					groups={[{ title: 'One cue more, for', entries, none: 'No event yet. Type what happens in the game.' }]}
					onpick={(id) => {
						close();
						setOffBy(id);
					}}
					onmake={(name) => {
						close();
						setOffByNew(name);
					}}
				/>
			</div>
		{/snippet}
	</Popover></span
>

<style>
	.root :global(.root) {
		display: inline-block;
		vertical-align: middle;
	}
	.by {
		display: inline-flex;
		align-items: center;
		min-height: 24px;
		max-width: 15rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		text-decoration: underline dotted;
		text-underline-offset: 3px;
	}
	.list {
		width: 18rem;
		padding: 4px;
	}
	p {
		margin: 0 0 4px;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
