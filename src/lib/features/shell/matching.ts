/** Which commands what was typed means: only those that have every word of it, the best first. */
import type { Command } from '$lib/ui/commands.svelte';

const wordsOf = (text: string): string[] =>
	text
		.normalize('NFKD')
		.replace(/\p{M}+/gu, '')
		.toLowerCase()
		.split(/[^\p{L}\p{N}]+/u)
		.filter(Boolean);

/**
 * Whether two words are a letter apart: one more, one less, another one, or two that changed places. Of three letters one may be left
 * out, no more: too much else would fit.
 */
function nearly(typed: string, word: string): boolean {
	if (typed.length < 3) return false;
	// What is typed may be the beginning of the word.
	for (const length of [typed.length - 1, typed.length, typed.length + 1]) {
		const b = word.slice(0, length);
		if (b.length !== length) continue;
		let i = 0;
		while (i < typed.length && i < b.length && typed[i] === b[i]) i++;
		const [rest, left] = [typed.slice(i), b.slice(i)];
		if (typed.length === 3) {
			if (i > 0 && left !== '' && rest === left.slice(1)) return true;
			continue;
		}
		if (rest.slice(1) === left || rest === left.slice(1) || rest.slice(1) === left.slice(1)) return true;
		if (rest[0] === left[1] && rest[1] === left[0] && rest.slice(2) === left.slice(2)) return true;
	}
	return false;
}

const NONE = 0;
/** How well a typed word fits one of the words: whole, at its beginning, within it, or a letter off. */
function fit(typed: string, words: readonly string[]): number {
	let best = NONE;
	for (const word of words) {
		const now =
			word === typed ? 8 : word.startsWith(typed) ? 6 : word.includes(typed) ? 3 : nearly(typed, word) ? 1 : NONE;
		best = Math.max(best, now);
	}
	return best;
}

/**
 * Commands that have each of the typed words in their label, or in what else finds them; the better they fit the earlier, and in
 * the order they came in where they fit alike. Nothing typed: all of them.
 */
export function matching(commands: readonly Command[], typed: string): readonly Command[] {
	const asked = wordsOf(typed);
	if (asked.length === 0) return typed.trim() === '' ? commands : [];
	return commands
		.map((command, place) => {
			const label = wordsOf(command.label);
			const beside = wordsOf(command.found ?? command.about);
			let score = 0;
			for (const word of asked) {
				const value = Math.max(fit(word, label) * 4, fit(word, beside));
				if (value === NONE) return { command, place, score: -1 };
				score += value;
			}
			// Of two that fit alike the shorter one is meant.
			return { command, place, score: score * 100 - label.length };
		})
		.filter(({ score }) => score > -1)
		.sort((a, b) => b.score - a.score || a.place - b.place)
		.map(({ command }) => command);
}
