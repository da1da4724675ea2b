/** Panels that stand beside what they belong to, kept on the page while that moves. */
export interface BesideOptions {
	/** Which edges of anchor and panel are one; default `left`. */
	align?: 'left' | 'right';
	/** Room between the two, in pixels. */
	gap: number;
}

/** The least room between a panel and the page's edge, in pixels. */
const EDGE = 8;
/** No panel is made lower than this. */
const LEAST_HIGH = 160;

/** Nothing stands beside anything at first sight: what placing needs comes after it. */
export const placing = () => import('@floating-ui/dom');

/** Keeps `panel` below `anchor`, or above it where there is no room, until the answer is called. */
export function keepBeside(anchor: Element, panel: HTMLElement, { align = 'left', gap }: BesideOptions): () => void {
	let stop: (() => void) | null = null;
	let over = false;
	// At once: until the library is here, and should it never come.
	const { left, right, bottom } = anchor.getBoundingClientRect();
	const wanted = align === 'left' ? left : right - panel.offsetWidth;
	put(panel, Math.max(EDGE, Math.min(wanted, innerWidth - panel.offsetWidth - EDGE)), bottom + gap);
	placing().then(
		({ autoUpdate, computePosition, flip, offset, shift, size }) => {
			if (over) return;
			stop = autoUpdate(anchor, panel, async () => {
				const placement = align === 'right' ? 'bottom-end' : 'bottom-start';
				const middleware = [
					offset(gap),
					flip(),
					shift({ padding: EDGE }),
					// What is longer than the page has room for is gone through within the panel, which says so by its style.
					size({
						padding: EDGE,
						apply: ({ availableHeight }) =>
							panel.style.setProperty('--room', `${Math.max(LEAST_HIGH, Math.floor(availableHeight))}px`)
					})
				];
				const { x, y } = await computePosition(anchor, panel, { strategy: 'fixed', placement, middleware });
				put(panel, x, y);
			});
		},
		() => undefined
	);
	return () => {
		over = true;
		stop?.();
	};
}

function put(panel: HTMLElement, x: number, y: number): void {
	Object.assign(panel.style, { left: `${x}px`, top: `${y}px` });
}
