import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { readKit, type Kit } from '../documents';
import { sheetHtml, sheetMarkdown, sheetOf } from './sheet';

const demo = (
	readKit(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8')) as {
		value: Kit;
	}
).value;
const sheet = sheetOf(demo);

describe('the sheet for the team', () => {
	it('has every motion, and every event that is answered', () => {
		const ids = sheet.parts.flatMap(({ rows }) => rows.map(({ id }) => id));
		expect(ids.sort()).toEqual([...demo.presets, ...demo.rigs].map(({ id }) => id).sort());
		const sent = new Set(demo.cues.filter(({ on }) => on).map(({ event }) => event));
		for (const id of sent) expect(sheet.events.map(([event]) => event)).toContain(id);
	});

	it('says what a shake does, and what sets it off', () => {
		const wave = sheet.parts[0]!.rows.find(({ id }) => id === 'wave-on-tower')!;
		expect(wave.facts[0]).toBe('1.6 s');
		expect(wave.facts.join()).toMatch(/% of the picture’s height/);
		expect(wave.by).toContain('Wave breaks');
		expect(wave.drawing).toHaveLength(2);
		const hand = sheet.parts[0]!.rows.find(({ id }) => id === 'hand-held-calm')!;
		expect(hand.by).toContain('Over the shoulder');
		const knee = sheet.parts[1]!.rows.find(({ id }) => id === 'bad-knee')!;
		expect(knee.facts[0]).toBe('Limping at 0.9 m/s: 1.5 steps a second, x, y, pitch, roll');
	});

	it('as Markdown and as HTML holds what people wrote as text', () => {
		const odd: Kit = {
			...demo,
			name: 'A <b> & *B*',
			presets: [{ ...newPreset('x', '<script>alert(1)</script> | *x*'), about: 'a | b\n# c' }],
			events: [],
			cues: [],
			rigs: [],
			parameters: []
		};
		const html = sheetHtml(sheetOf(odd));
		expect(html).not.toContain('<script');
		expect(html).toContain('A &lt;b&gt; &amp; *B*');
		const markdown = sheetMarkdown(sheetOf(odd));
		expect(markdown).toContain('### \\<script\\>alert(1)\\</script\\> \\| \\*x\\* (`x`)');
		expect(markdown.split('\n').filter((line) => line.startsWith('# '))).toHaveLength(1);
		expect(markdown).not.toContain('What the game sends');
	});

	it('needs nothing beside it', () => {
		const html = sheetHtml(sheet);
		expect(html).not.toMatch(/(src|href)=|url\(|@import/);
		expect(html).toMatch(/^<!doctype html>/);
	});
});
