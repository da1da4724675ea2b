import { afterEach, beforeEach, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { FieldNotes } from './field-notes';
import { MemoryServer } from './testing/memory-server';
import { WorkingCopy } from './working-copy.svelte';

const server = new MemoryServer([['shake', newPreset('thud', 'Thud')]]);
const { uuid } = server.find('thud');
const work = new WorkingCopy('w', server.all, 0, { changed: () => undefined, stirred: () => undefined });
const said: string[] = [];
const at = (name: string) => ({ document: uuid, path: ['body', name] });
const change = (name: string) => [{ document: uuid, fields: [{ path: ['body', name], to: 2 }] }];
let notes: FieldNotes;

beforeEach(() => {
	notes = new FieldNotes(work, (text) => said.push(text));
	document.body.innerHTML = `
		<div class="field"><div role="spinbutton" tabindex="0" aria-label="amount, ×"></div><input aria-label="amount" /></div>
		<button aria-label="Whole"></button><textarea></textarea>`;
});
afterEach(() => (document.activeElement as HTMLElement).blur());
const focus = (selector: string): void => document.querySelector<HTMLElement>(selector)!.focus();

it('a field stands where the control is that it was changed with, each field at its own', () => {
	focus('button');
	notes.noteControl(change('rate'));
	focus('[role="spinbutton"]');
	notes.noteControl(change('amount'));
	expect([notes.controlOf(at('amount')), notes.controlOf(at('rate'))]).toEqual(['amount, ×', 'Whole']);
	expect(notes.controlOf({ document: 'another', path: ['body', 'amount'] })).toBeUndefined();
});

it('a number that is being typed stands for its control; what has no name, or no focus, is nowhere', () => {
	focus('input');
	notes.noteControl(change('amount'));
	focus('textarea');
	notes.noteControl(change('about'));
	focus('textarea');
	(document.activeElement as HTMLElement).blur();
	notes.noteControl(change('name'));
	expect(['amount', 'about', 'name'].map((name) => notes.controlOf(at(name)))).toEqual([
		'amount, ×',
		undefined,
		undefined
	]);
});

it('what has no place any more cannot be taken, and that is said', () => {
	notes.take('no such');
	expect(said).toEqual(['What it was a part of is not there any more; nothing was changed.']);
	notes.drop('no such');
});
