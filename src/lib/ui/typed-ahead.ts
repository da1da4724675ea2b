/** Letters that are typed towards something that is still on its way: they are kept from the page, and given to it when it is here. */

/** Begins to keep them; the answer ends that and gives what was typed. `cancel` hears of Escape. */
export function typedAhead(cancel: () => void): () => string {
	let typed = '';
	const keep = (event: KeyboardEvent): void => {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		event.preventDefault();
		event.stopImmediatePropagation();
		if (event.key === 'Escape') cancel();
		else if (event.key === 'Backspace') typed = typed.slice(0, -1);
		else if (event.key.length === 1) typed += event.key;
	};
	window.addEventListener('keydown', keep, true);
	return () => {
		window.removeEventListener('keydown', keep, true);
		return typed;
	};
}
