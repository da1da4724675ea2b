<script lang="ts">
	/** Presets and rigs out of a kit: what is in it, what is left out, and a choice for each whose id is taken. Nothing happens before the last button. */
	import { arrivals, MOST_BYTES, sayProblem, type Arrival, type Choice } from '$lib/documents';
	import type { Rig } from 'dinesis-runtime';
	import { isBob, isLag } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import Segments from '$lib/ui/Segments.svelte';

	let { session, open, onclose }: { session: ProjectSession; open: boolean; onclose: () => void } = $props();

	const SHOWN = 200;
	const CHOICES: readonly { value: Choice; label: string; title: string }[] = [
		{ value: 'keep', label: 'keep', title: 'Leave what is here' },
		{ value: 'replace', label: 'replace', title: 'Put the new one in its place, as a new version' },
		{ value: 'both', label: 'both', title: 'Bring it in beside the one that is here' }
	];
	let name = $state('');
	let trouble = $state.raw<readonly string[]>([]);
	let list = $state.raw<readonly Arrival[]>([]);
	let choices = $state.raw<Readonly<Record<string, Choice>>>({});
	let rigs = $state.raw<readonly Rig[]>([]);
	/** What of the file is left out, in words. */
	let left = $state('');
	let busy = $state(false);
	const differing = $derived(list.filter((a) => a.standing === 'differs'));
	const fresh = $derived(list.filter((a) => a.standing === 'new'));
	const same = $derived(list.length - differing.length - fresh.length);
	const bobsAndLags = $derived(list.filter((a) => isBob(a.preset) || isLag(a.preset)).length);
	const newRigs = $derived(rigs.filter((r) => !session.wiring.rigs.some((here) => here.id === r.id)).length);
	const extra = $derived(
		[
			bobsAndLags > 0
				? ` ${bobsAndLags} of them ${bobsAndLags === 1 ? 'is a head bob or a lag' : 'are head bobs and lags'}.`
				: '',
			newRigs > 0 ? ` ${newRigs === 1 ? 'A new rig comes' : `${newRigs} new rigs come`} along.` : ''
		].join('')
	);
	const choiceOf = (id: string): Choice => choices[id] ?? 'both';

	$effect(() => {
		if (open) return;
		name = '';
		list = [];
		left = '';
		trouble = [];
		choices = {};
	});

	function refuse(lines: readonly string[]) {
		list = [];
		left = '';
		trouble = lines;
	}
	async function read(file: { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }) {
		refuse([]);
		name = file.name;
		const kit = await session.worker.read(file.bytes);
		if (!kit.ok) {
			trouble = kit.problems.slice(0, 8).map(sayProblem);
			return;
		}
		trouble = [];
		list = arrivals(kit.value, (id) =>
			session.order.includes(id) ? session.preset(id) : session.bobsAndLags.find((p) => p.id === id)
		);
		rigs = kit.value.rigs;
		const { events, parameters, cues, courses, world } = kit.value;
		const count = (n: number, one: string, many: string): string => (n === 0 ? '' : `${n} ${n === 1 ? one : many}`);
		const here = new Set(session.wiring.rigs.map((r) => r.id));
		left = [
			count(events.length, 'event', 'events'),
			count(parameters.length, 'game value', 'game values'),
			count(cues.length, 'cue', 'cues'),
			count(courses.length, 'course', 'courses'),
			count(world.events.length + world.values.length, 'link to the grounds', 'links to the grounds'),
			count(rigs.filter((r) => here.has(r.id)).length, 'rig whose id is taken', 'rigs whose ids are taken')
		]
			.filter(Boolean)
			.join(', ');
		if (list.length === 0)
			trouble = [
				left
					? `There is no preset in this kit, only ${left}. A project can be made of it on the page of all projects.`
					: 'There is no preset in this kit.'
			];
	}
	async function bringIn() {
		busy = true;
		const said = await session.acts.bringIn(list, choiceOf, name, rigs);
		busy = false;
		if (said === null) return;
		session.say(`From ${name}: ${said}.`);
		onclose();
	}
</script>

<Dialog title="Bring in presets" {open} {onclose} wide>
	<FileDrop
		label="A kit file"
		accept=".json,application/json"
		most={MOST_BYTES}
		onfile={read}
		ontrouble={(message) => refuse([message])}
	>
		<span>{name ? name : 'Choose a kit (JSON), or drop one here'}</span>
	</FileDrop>
	{#if trouble.length > 0}
		<div class="trouble" role="alert">
			<p>Nothing was brought in.</p>
			<ul>
				{#each trouble as line (line)}<li>{line}</li>{/each}
			</ul>
		</div>
	{/if}
	{#if list.length > 0}
		<p>
			<b>{list.length}</b> in it: <b>{fresh.length}</b> new, <b>{differing.length}</b> whose id is taken by another,
			<b>{same}</b> here already.{extra}
		</p>
		{#if left}
			<p class="left" data-testid="left-out">
				Left out here: {left}. <a href="/projects#file">Make a project of the file</a>: that leaves nothing out.
			</p>
		{/if}
		{#if differing.length > 0}
			<div class="all">
				<span>for all of them</span>
				{#each CHOICES as { value, label, title } (value)}
					<button {title} onclick={() => (choices = Object.fromEntries(differing.map((a) => [a.preset.id, value])))}
						>{label}</button
					>
				{/each}
			</div>
			<ul class="list">
				{#each differing.slice(0, SHOWN) as { preset } (preset.id)}
					<li>
						<span>{preset.name} <small>{preset.id}</small></span>
						<Segments
							small
							label="What to do with {preset.name}"
							value={choiceOf(preset.id)}
							options={CHOICES}
							onchange={(choice: Choice) => (choices = { ...choices, [preset.id]: choice })}
						/>
					</li>
				{/each}
				{#if differing.length > SHOWN}<li>and {differing.length - SHOWN} more, as chosen for all</li>{/if}
			</ul>
		{/if}
		<button class="main" disabled={busy} onclick={bringIn}>{busy ? 'Bringing in…' : 'Bring in'}</button>
	{/if}
</Dialog>

<style>
	.left {
		border-left: 4px solid var(--lamp);
		padding-left: 12px;
	}
	.trouble {
		border-left: 4px solid var(--danger);
		padding: 2px 12px;
		margin-top: 10px;
	}
	ul {
		margin: 6px 0;
		padding-left: 16px;
	}
	.list {
		list-style: none;
		padding: 0;
		max-height: 40vh;
		overflow: auto;
	}
	.list li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		padding: 3px 0;
		border-bottom: 1px solid var(--rule);
	}
	.all {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.all span,
	small {
		color: var(--ink-2);
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 10px;
		cursor: pointer;
	}
	.main {
		margin-top: 10px;
		padding: 6px 16px;
		background: var(--ink);
		color: var(--sheet);
	}
</style>
