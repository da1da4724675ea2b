/** Up and down go from one to the next of the buttons in a list, and from a field above it into the list. */
export function arrowsIn(event: KeyboardEvent & { currentTarget: HTMLElement }): void {
	const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
	// What steps a number by itself has had the key.
	if (by === 0 || event.defaultPrevented) return;
	const stops = [...event.currentTarget.querySelectorAll<HTMLElement>('input:not([type]), button:not(:disabled)')];
	const at = stops.indexOf(document.activeElement as HTMLElement);
	const next = stops[(at + by + stops.length) % stops.length];
	if (!next) return;
	event.preventDefault();
	next.focus();
}
