/** How the focus came to where it is: by a press of the pointer, or by the keyboard. A press leaves the keys where the work is. */
class Hand {
	private pointing = false;
	/** What a press of the pointer gave the focus. */
	private focused: EventTarget | null = null;
	/** Where the pointer was last, on the screen. */
	private at: readonly [number, number] = [NaN, NaN];

	/**
	 * Whether the pointer came here of itself, asked as it enters: what is laid out anew or scrolled beneath one that rests was not pointed at.
	 */
	cameHere({ screenX, screenY }: PointerEvent): boolean {
		return screenX !== this.at[0] || screenY !== this.at[1];
	}

	/** Whether a press of the pointer gave it the focus. */
	pointedAt(target: EventTarget | null): boolean {
		return target !== null && target === this.focused;
	}

	/** Watches presses and the focus until what it returns is called. */
	watch(target: Window): () => void {
		const pressed = (event: PointerEvent): void => {
			this.pointing = true;
			const { activeElement } = target.document;
			// What has the focus already does not get it again.
			if (event.target instanceof Node && activeElement?.contains(event.target)) this.focused = activeElement;
		};
		const typed = (): void => void (this.pointing = false);
		const focused = ({ target: now }: FocusEvent): void => void (this.focused = this.pointing ? now : null);
		/** A list that was opened by a press gives the keys back once something of it is chosen. */
		const chosen = ({ target: list }: Event): void => {
			if (list instanceof HTMLSelectElement && this.pointedAt(list)) list.blur();
		};
		const moved = ({ screenX, screenY }: PointerEvent): void => void (this.at = [screenX, screenY]);
		target.addEventListener('pointermove', moved, true);
		target.addEventListener('pointerdown', pressed, true);
		target.addEventListener('keydown', typed, true);
		target.addEventListener('focusin', focused, true);
		target.addEventListener('change', chosen);
		return () => {
			target.removeEventListener('pointermove', moved, true);
			target.removeEventListener('pointerdown', pressed, true);
			target.removeEventListener('keydown', typed, true);
			target.removeEventListener('focusin', focused, true);
			target.removeEventListener('change', chosen);
		};
	}
}

export const hand = new Hand();
