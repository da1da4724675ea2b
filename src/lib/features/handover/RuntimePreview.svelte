<script lang="ts">
	/** What plays a kit in a game: the package as this build of the tool plays it, or its one module for a page without npm. */
	import Download from '@lucide/svelte/icons/download';
	import Frame from '$lib/ui/Frame.svelte';
	import Listing from '$lib/ui/Listing.svelte';
	import type { HandoverState } from './handover.svelte';

	let { desk }: { desk: HandoverState } = $props();
	const PACKAGE = '/run-time/dinesis-runtime.tgz';
	const IMPORTS =
		'<' + 'script type="importmap">{ "imports": { "dinesis-runtime": "./dinesis-runtime.js" } }</' + 'script>';
	const MODULE = '/run-time/runtime/dist/single.js';
</script>

<Frame label="The run-time" title="The run-time" flow="rows">
	<p>
		All that a game needs beside its kit: no dependency, no clock and no chance of its own; the same numbers on every
		machine, those that this page plays.
	</p>
	<h3>A package</h3>
	<p>
		<a class="file" href={PACKAGE} download="dinesis-runtime.tgz"><Download size={14} /> dinesis-runtime.tgz</a>
		with types, for a game that is built with npm:
	</p>
	<Listing text="npm install ./dinesis-runtime.tgz" />
	<h3>One module</h3>
	<p>
		<a class="file" href={MODULE} download="dinesis-runtime.js"><Download size={14} /> dinesis-runtime.js</a>
		for an empty page, which names it so:
	</p>
	<Listing text={IMPORTS} />
	<p>
		Beside it the kit ({desk.kitFile}), and what the game writes (motion.js). Another language plays a kit by
		runtime/PORTING.md, and knows by the vectors beside it that it does.
	</p>
</Frame>

<style>
	p {
		margin: 0;
		max-width: 46rem;
		font-size: 13px;
	}
	h3 {
		margin: 6px 0 0;
		font: 600 13px var(--text);
	}
	.file {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		min-height: 28px;
		padding: 0 10px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: inherit;
		text-decoration: none;
	}
</style>
