<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { tinykeys } from 'tinykeys';
	import Moon from '@lucide/svelte/icons/moon';
	import Sun from '@lucide/svelte/icons/sun';
	import ConflictDialog from '$lib/features/shell/ConflictDialog.svelte';
	import Palette from '$lib/features/shell/Palette.svelte';
	import ShortcutsDialog from '$lib/features/shell/ShortcutsDialog.svelte';
	import { provideSession, ProjectSession } from '$lib/session/session.svelte';
	import { Commands, provideCommands, type Command } from '$lib/ui/commands.svelte';
	import { isTyping } from '$lib/ui/targets';
	import { theme } from '$lib/ui/theme.svelte';
	import Toasts from '$lib/ui/Toasts.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();

	const session = untrack(() => new ProjectSession(data.project, data.presets, data.count, data.wiring));
	provideSession(session);
	const commands = provideCommands(new Commands());
	let palette = $state(false);
	let shortcuts = $state(false);

	const rooms = [
		{ path: 'bench', label: 'Bench', about: 'tune one preset', keys: 'G B' },
		{ path: 'library', label: 'Library', about: 'all presets, by how they feel', keys: 'G L' },
		{ path: 'cues', label: 'Cues', about: 'what sets the camera moving', keys: 'G C' },
		{ path: 'rig', label: 'Rig', about: 'what the player sees through', keys: 'G R' },
		{ path: 'course', label: 'Course', about: 'try it in a stretch of play', keys: 'G P' }
	];
	const addressOf = (path: string): string => `/${session.project.slug}/${path}`;
	const open = (key: string): void => void goto(addressOf(`bench/${key}`));

	const everywhere = (): readonly Command[] => [
		...rooms.map(({ path, label, about, keys }) => ({
			id: `room ${path}`,
			label: `Go to the ${label}`,
			about,
			keys,
			run: () => void goto(addressOf(path))
		})),
		{
			id: 'theme',
			label: theme.now === 'day' ? 'Night theme' : 'Day theme',
			about: 'the look',
			keys: 'N',
			run: () => theme.turn()
		},
		{
			id: 'undo',
			label: 'Undo',
			about: session.undoLabel ?? 'nothing to undo',
			keys: 'Ctrl Z',
			run: () => session.goBack()
		},
		{
			id: 'redo',
			label: 'Redo',
			about: session.redoLabel ?? 'nothing to redo',
			keys: 'Ctrl Shift Z',
			run: () => session.goForward()
		},
		{ id: 'shortcuts', label: 'List all shortcuts', about: 'help', keys: '?', run: () => (shortcuts = true) },
		...session.presets.map((preset) => ({
			id: `preset ${preset.id}`,
			label: preset.name,
			about: preset.tags.slice(0, 4).join(', '),
			run: () => open(preset.id)
		}))
	];

	$effect(() => {
		document.documentElement.dataset.theme = theme.now;
	});

	onMount(() => {
		theme.recall();
		const close = session.open();
		const takeBack = commands.offer(everywhere);
		const plain = (run: () => void) => (event: KeyboardEvent) => {
			if (isTyping(event.target)) return;
			event.preventDefault();
			run();
		};
		const stopKeys = tinykeys(window, {
			'$mod+z': plain(() => session.goBack()),
			'$mod+Shift+z': plain(() => session.goForward()),
			'$mod+y': plain(() => session.goForward()),
			'$mod+k': (event) => {
				event.preventDefault();
				palette = true;
			},
			'g b': plain(() => void goto(addressOf('bench'))),
			'g l': plain(() => void goto(addressOf('library'))),
			'g c': plain(() => void goto(addressOf('cues'))),
			'g r': plain(() => void goto(addressOf('rig'))),
			'g p': plain(() => void goto(addressOf('course'))),
			n: plain(() => theme.turn()),
			'?': plain(() => (shortcuts = true)),
			'Shift+?': plain(() => (shortcuts = true))
		});
		return () => {
			stopKeys();
			takeBack();
			close();
		};
	});
</script>

<div class="book">
	<nav aria-label="Rooms">
		{#each rooms as room (room.path)}
			{@const here = page.url.pathname.startsWith(addressOf(room.path))}
			<a href={addressOf(room.path)} aria-current={here ? 'page' : undefined} title="{room.about} ({room.keys})"
				>{room.label}</a
			>
		{/each}
		<button
			class="lamp"
			title="{theme.now === 'day' ? 'Night theme' : 'Day theme'} (N)"
			aria-label={theme.now === 'day' ? 'Night theme' : 'Day theme'}
			onclick={() => theme.turn()}
		>
			{#if theme.now === 'day'}<Moon size={16} />{:else}<Sun size={16} />{/if}
		</button>
	</nav>
	<div class="leaf">{@render children()}</div>
</div>
<Palette open={palette} commands={() => commands.all()} onclose={() => (palette = false)} />
<ShortcutsDialog open={shortcuts} room={commands.shortcuts} onclose={() => (shortcuts = false)} />
<ConflictDialog {session} oncopied={open} />
<Toasts list={session.notices} />

<style>
	.book {
		display: grid;
		grid-template-columns: 40px minmax(0, 1fr);
		height: 100vh;
		min-width: 1000px;
	}
	nav {
		background: var(--paper-3);
		border-right: 1px solid var(--rule-strong);
		padding-top: 52px;
		display: flex;
		flex-direction: column;
		gap: 4px;
	}
	a {
		writing-mode: vertical-rl;
		transform: rotate(180deg);
		padding: 20px 10px;
		text-align: center;
		text-decoration: none;
		font-weight: 600;
		color: var(--ink-2);
		border-radius: 0 9px 9px 0;
		margin: 0 0 0 -1px;
		width: 40px;
	}
	a:hover {
		color: var(--ink);
	}
	a[aria-current='page'] {
		background: var(--paper);
		color: var(--ink);
		border-right: 3px solid var(--lamp);
		border-top: 1px solid var(--rule-strong);
		border-bottom: 1px solid var(--rule-strong);
	}
	.lamp {
		margin: auto auto 12px;
		display: grid;
		place-items: center;
		width: 30px;
		height: 30px;
		border: 0;
		border-radius: 50%;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	.lamp:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.leaf {
		min-width: 0;
	}
</style>
