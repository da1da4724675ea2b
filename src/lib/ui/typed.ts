/**
 * What stands in a field and was not confirmed is kept in the browser, letter by letter, and stands there again after the page was loaded
 * anew, still unconfirmed. A field is known by its page and its label. Confirming (Enter, or leaving the field) and Escape let go of it.
 */
const KEY = 'dinesis:typed';
/** So many at most are kept; the oldest go first. */
const MOST = 60;

type Field = HTMLInputElement | HTMLTextAreaElement;
interface Left {
	readonly place: string;
	readonly label: string;
	readonly text: string;
}

function read(): Left[] {
	try {
		const list: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
		return Array.isArray(list) ? (list as Left[]) : [];
	} catch {
		return [];
	}
}

function write(list: readonly Left[]): void {
	try {
		localStorage.setItem(KEY, JSON.stringify(list.slice(-MOST)));
	} catch {
		// A browser that keeps nothing loses what was typed with the page, as any would.
	}
}

/** Fields of text that one confirms. What is searched for is none of them. */
function isKept(target: EventTarget | null): target is Field {
	if (target instanceof HTMLTextAreaElement) return true;
	return (
		target instanceof HTMLInputElement &&
		['text', ''].includes(target.getAttribute('type') ?? '') &&
		target.getAttribute('role') !== 'combobox'
	);
}

/** What a field is called on its page. */
export function labelOf(field: Field): string {
	const label = field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent ?? field.placeholder;
	return label.trim().replace(/\s+/g, ' ');
}

/** What was typed on a page into the field of that name and not confirmed; null: nothing. */
export const leftIn = (place: string, label: string): string | null =>
	read().find((left) => left.place === place && left.label === label)?.text ?? null;

function keep(place: string, label: string, text: string): void {
	const rest = read().filter((left) => left.place !== place || left.label !== label);
	write([...rest, { place, label, text }]);
}

export function letGo(place: string, label: string): void {
	const list = read();
	const rest = list.filter((left) => left.place !== place || left.label !== label);
	if (rest.length < list.length) write(rest);
}

const UNCONFIRMED = 'data-unconfirmed';

/** Puts what was left into the fields that are on the page by now; fields that take it themselves (`leftIn`) have done so. */
function putBack(root: HTMLElement, place: string): void {
	const waiting = new Map(
		read()
			.filter((left) => left.place === place)
			.map((left) => [left.label, left.text])
	);
	if (waiting.size === 0) return;
	for (const field of root.querySelectorAll<Field>('input, textarea')) {
		const text = isKept(field) ? waiting.get(labelOf(field)) : undefined;
		if (text === undefined || field.value === text || field === document.activeElement) continue;
		field.value = text;
		field.setAttribute(UNCONFIRMED, '');
		field.dispatchEvent(new Event('input', { bubbles: true }));
	}
}

/** Watches over what is typed below `root`; `place` says which page it is. Returns what ends it. */
export function keepTyped(root: HTMLElement, place: () => string): () => void {
	const typed = ({ target }: Event): void => {
		if (isKept(target)) keep(place(), labelOf(target), target.value);
	};
	const confirmed = ({ target }: Event): void => {
		if (!isKept(target)) return;
		target.removeAttribute(UNCONFIRMED);
		letGo(place(), labelOf(target));
	};
	/** What was put back and not touched since is a change that the browser knows nothing of. */
	const confirm = (field: Field): void => {
		if (field.hasAttribute(UNCONFIRMED)) field.dispatchEvent(new Event('change', { bubbles: true }));
		letGo(place(), labelOf(field));
	};
	const left = ({ target }: Event): void => {
		if (isKept(target)) confirm(target);
	};
	const pressed = (event: KeyboardEvent): void => {
		const { target } = event;
		if (!isKept(target)) return;
		if (event.key === 'Enter' && target instanceof HTMLInputElement) confirm(target);
		if (event.key === 'Escape') {
			target.removeAttribute(UNCONFIRMED);
			letGo(place(), labelOf(target));
		}
	};
	root.addEventListener('input', typed, true);
	root.addEventListener('change', confirmed, true);
	root.addEventListener('focusout', left, true);
	root.addEventListener('keydown', pressed, true);
	let due = false;
	const look = (): void => {
		if (due) return;
		due = true;
		queueMicrotask(() => {
			due = false;
			putBack(root, place());
		});
	};
	// A field may come on the page later: with its room, its tab, its row.
	const watch = new MutationObserver(look);
	if (read().length > 0) watch.observe(root, { childList: true, subtree: true });
	look();
	return () => {
		watch.disconnect();
		root.removeEventListener('input', typed, true);
		root.removeEventListener('change', confirmed, true);
		root.removeEventListener('focusout', left, true);
		root.removeEventListener('keydown', pressed, true);
	};
}
