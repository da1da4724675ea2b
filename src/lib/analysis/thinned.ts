/** Fewer points for the same curve. */
interface Placed {
	readonly at: number;
	readonly value: number;
}

/** So many of them, by taking the one away, again and again, that a straight line misses least; the first two and the last stay. */
export function thinned<P extends Placed>(points: readonly P[], count: number): P[] {
	const kept = [...points];
	const missed = (i: number): number => {
		const [a, b, c] = [kept[i - 1]!, kept[i]!, kept[i + 1]!];
		return Math.abs(b.value - (a.value + ((c.value - a.value) * (b.at - a.at)) / (c.at - a.at)));
	};
	while (kept.length > count) {
		let least = 1;
		for (let i = 2; i < kept.length - 1; i++) if (missed(i) < missed(least)) least = i;
		kept.splice(least, 1);
	}
	return kept;
}
