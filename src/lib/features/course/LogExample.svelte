<script lang="ts">
	/** What a log looks like: its columns, and a few rows. */
	const ROWS = `time,event,phase,tags,impact,x,y,z
0.40,Cask set down,,heavy,6.2,1,0.5,-3
1.75,storm,starts,,,,,
4.10,Cask set down,,,3.1,2,0.5,-1
9.00,storm,ends,,,,,`;
</script>

<details>
	<summary>What a log looks like</summary>
	<pre>{ROWS}</pre>
	<dl>
		<dt>time</dt>
		<dd>seconds from 0; rows may stand in any order</dd>
		<dt>event</dt>
		<dd>an event’s id or its name; what is not known is asked</dd>
		<dt>phase</dt>
		<dd>“starts” and “ends” for a state; left empty, it happens</dd>
		<dt>tags</dt>
		<dd>what it happened to or came from, several with “;” between them</dd>
		<dt>x, y, z</dt>
		<dd>where, in metres; all three or none</dd>
		<dt>key</dt>
		<dd>tells apart what goes on at the same time: this door from that one</dd>
		<dt>any other</dt>
		<dd>a number that the event carries</dd>
	</dl>
	<p>
		Or a JSON object on each line with the same names: “place” as three numbers, “values” as an object, “tags” as a
		list.
	</p>
</details>

<style>
	details {
		margin-top: 8px;
		font-weight: 400;
		color: var(--ink-2);
	}
	summary {
		cursor: pointer;
	}
	pre {
		overflow: auto;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--field);
		padding: 8px 10px;
		font-size: 12px;
		color: var(--ink);
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 2px 12px;
		margin: 0;
		font-size: 12.5px;
	}
	dt {
		color: var(--ink);
	}
	dd {
		margin: 0;
	}
	p {
		font-size: 12.5px;
	}
</style>
