/** What a key press is meant for. */

const TEXTS = /^(TEXTAREA|SELECT)$/;
const TICKS = /^(checkbox|radio|range|button)$/;

/** Whether keys go into a text there. */
export const isTyping = (target: EventTarget | null): boolean =>
	target instanceof HTMLElement &&
	(target.isContentEditable ||
		TEXTS.test(target.tagName) ||
		(target instanceof HTMLInputElement && !TICKS.test(target.type)));

/** Whether the space bar presses something there. */
export const isPressable = (target: EventTarget | null): boolean =>
	target instanceof HTMLElement &&
	target.closest('button, a, input, [role="radio"], [role="switch"], summary') !== null;
