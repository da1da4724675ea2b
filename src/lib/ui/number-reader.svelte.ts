/** What reads units and sums, fetched once the page is seen. Until then, and should it never come, plain numbers are read. */
import type { readTyped, Typed, TypedContext } from './typed-number';

class NumberReader {
	private whole = $state.raw<{ readonly readTyped: typeof readTyped } | null>(null);

	/** Fetches it, once; where it could not be had the next call tries again. */
	readonly fetch = async (): Promise<void> => {
		this.whole ??= await import('./typed-number');
	};

	read(typed: string, context: TypedContext): Typed {
		if (this.whole) return this.whole.readTyped(typed, context);
		const text = typed.trim().replace(',', '.').replace('−', '-');
		if (/^-?(\d+\.?\d*|\.\d+)$/.test(text)) return { value: Number(text) };
		return { trouble: text === '' ? 'A number is needed.' : 'Only plain numbers are understood just now.' };
	}
}
export const numberReader = new NumberReader();
