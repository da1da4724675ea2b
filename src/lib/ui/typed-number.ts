/** Numbers as people type them: with units, as sums, as changes of the number that stands there. */
import { alike, isPlain, readUnit, type Unit } from './units';

export interface TypedContext {
	/** The number that stands there. */
	readonly present: number;
	/** The field's unit; empty: a bare number. */
	readonly unit?: string;
	/** How many frames are a second. */
	readonly fps?: number;
}
export type Typed = { readonly value: number } | { readonly trouble: string };

class Trouble extends Error {}
/** A number and, once one was written, the unit it has: sums are of like and like, and one factor of a product is bare. */
interface Amount {
	readonly size: number;
	readonly unit: Unit | null;
}

/**
 * Reads what was typed: a sum (`1/1.5`, `(3 + 4) * 2`), each number with a unit or in the field's own (`5cm`, `40ms`, `12f`, `0.3rad`, `80%`), comma
 * or point; or a change of the number that stands there: `*2`, `/3`, `+0.1`, `-=0.1`, `+10%`. A leading minus is a sign, not a change. A share
 * (`80%`) is a number where the field counts in shares or factors, and a part of what stands there everywhere else.
 */
export function readTyped(typed: string, { present, unit = '', fps = 60 }: TypedContext): Typed {
	const own = readUnit(unit, fps);
	const text = typed
		.trim()
		.replace(/(\d),(?=\d)/g, '$1.')
		.replace(/,(?=\d)/g, '.')
		.replace(/−/g, '-')
		.replace(/÷/g, '/');
	if (text === '') return { trouble: 'A number is needed.' };
	try {
		const value = read(text, present, own, unit, fps);
		if (!Number.isFinite(value)) return { trouble: 'That is no number: something is divided by 0.' };
		// Sums of decimals have dust at the sixteenth digit.
		return { value: Number(value.toPrecision(15)) };
	} catch (error) {
		if (error instanceof Trouble) return { trouble: error.message };
		throw error;
	}
}

function read(text: string, present: number, own: Unit | null, unit: string, fps: number): number {
	const change = /^(\+=|-=|\*=|\/=|[*×/+])/.exec(text)?.[1];
	const rest = change ? text.slice(change.length) : text;
	const share = /^\s*(\d*\.?\d+)\s*%\s*$/.exec(rest);
	const sum = new Sum(rest, own, unit, fps);
	switch (change?.[0]) {
		case undefined:
			if (share && !(own && isPlain(own))) return (present * Number(share[1])) / 100;
			return sum.inOwn();
		case '+':
			return share ? present * (1 + Number(share[1]) / 100) : present + sum.inOwn();
		case '-':
			return share ? present * (1 - Number(share[1]) / 100) : present - sum.inOwn();
		case '/':
			return present / sum.bare();
		default:
			return present * sum.bare();
	}
}

/** A sum as one writes it: products before sums, brackets before both. */
class Sum {
	private at = 0;
	private readonly parts: readonly string[];

	constructor(
		private readonly text: string,
		private readonly own: Unit | null,
		private readonly unit: string,
		private readonly fps: number
	) {
		this.parts = this.split();
	}

	/** What it comes to in the field's unit. */
	inOwn(): number {
		const { size, unit } = this.fitting(this.whole());
		return unit === null ? size : (size * unit.factor) / (this.own?.factor ?? 1);
	}

	/** What it comes to as a factor. */
	bare(): number {
		const { size, unit } = this.whole();
		if (unit !== null && !isPlain(unit)) throw new Trouble('A factor has no unit.');
		return size * (unit?.factor ?? 1);
	}

	private split(): string[] {
		// A unit may hold a slash: `m/s`. Letters behind a slash belong to the unit before it.
		const part =
			/\s*(\d*\.?\d+(?:e[+-]?\d+)?|[-+*/×()]|(?:[a-zµ°%×]+[²³]?(?:\^?[23])?(?:\/[a-z°]+[²³]?(?:\^?[23])?)?))\s*/iy;
		const parts: string[] = [];
		for (let from = 0; from < this.text.length; from = part.lastIndex) {
			part.lastIndex = from;
			const found = part.exec(this.text);
			if (!found) throw new Trouble(`“${this.text.slice(from).trim()}” is not understood.`);
			parts.push(found[1]!);
		}
		return parts;
	}

	private whole(): Amount {
		if (this.parts.length === 0) throw new Trouble('A number is needed.');
		this.at = 0;
		const amount = this.sum();
		if (this.at < this.parts.length) throw new Trouble(`“${this.parts[this.at]}” is not understood here.`);
		return amount;
	}

	private sum(): Amount {
		let left = this.product();
		for (let sign; (sign = this.take('+', '-'));) {
			left = this.fitting(left);
			const right = this.fitting(this.product());
			const unit = left.unit ?? right.unit;
			const inUnit = (of: Amount): number =>
				unit === null ? of.size : (of.size * (of.unit?.factor ?? this.own?.factor ?? 1)) / unit.factor;
			left = { size: inUnit(left) + (sign === '+' ? 1 : -1) * inUnit(right), unit };
		}
		return left;
	}

	private product(): Amount {
		let left = this.signed();
		for (let sign; (sign = this.take('*', '×', '/'));) {
			const right = this.signed();
			const [of, by] = left.unit && !isPlain(left.unit) ? [left, right] : [right, left];
			if (by.unit && !isPlain(by.unit)) throw new Trouble('Only one number of a product has a unit.');
			if (sign === '/' && right.unit && !isPlain(right.unit)) throw new Trouble('What is divided by has no unit.');
			const factor = by.size * (by.unit?.factor ?? 1);
			const size =
				sign === '*' || sign === '×' ? of.size * factor : of === left ? left.size / factor : factor / of.size;
			left = { size, unit: of.unit };
		}
		return left;
	}

	private signed(): Amount {
		const sign = this.take('-', '+');
		if (sign) {
			const { size, unit } = this.signed();
			return { size: sign === '-' ? -size : size, unit };
		}
		if (this.take('(')) {
			const inner = this.sum();
			if (!this.take(')')) throw new Trouble('A bracket is not closed.');
			return inner;
		}
		const word = this.parts[this.at++];
		if (word === undefined) throw new Trouble('A number is missing at the end.');
		if (!/^[\d.]/.test(word)) throw new Trouble(`A number is needed before “${word}”.`);
		return { size: Number(word), unit: this.unitHere() };
	}

	private unitHere(): Unit | null {
		let word = this.parts[this.at];
		const next = this.parts[this.at + 1] ?? '';
		if (word === '/' && /^[a-zµ°]/i.test(next)) {
			word += next;
			this.at++;
		} else if (word === undefined || !/^[a-zµ°%×]/i.test(word) || (word === '×' && /^[\d.(]/.test(next))) return null;
		this.at++;
		if (!this.own && word === this.unit) return null;
		const unit = readUnit(word, this.fps);
		if (!unit) throw new Trouble(`“${word}” is no unit that is known here.`);
		if (isPlain(unit) || (this.own && alike(unit, this.own))) return unit;
		throw new Trouble(`“${word}” is no unit for ${this.unit ? `a number in ${this.unit}` : 'a bare number'}.`);
	}

	/** A share of nothing in particular is a factor: it can be taken of something, but neither stand for it nor be added to it. */
	private fitting(amount: Amount): Amount {
		if (!amount.unit || !isPlain(amount.unit) || (this.own && isPlain(this.own))) return amount;
		throw new Trouble(`A share is no number in ${this.unit}.`);
	}

	private take(...signs: string[]): string | undefined {
		const sign = this.parts[this.at];
		if (sign === undefined || !signs.includes(sign)) return undefined;
		this.at++;
		return sign;
	}
}
