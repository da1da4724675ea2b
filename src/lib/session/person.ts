/** Who one is to the others: a browser with a name that one can set. */
const KEY = 'dinesis:person';
/** As what somebody goes who has set no name. */
export const NOBODY = 'somebody';
const LONGEST = 40;

export function personName(): string {
	try {
		return localStorage.getItem(KEY) ?? '';
	} catch {
		return '';
	}
}

export function setPersonName(name: string): void {
	try {
		localStorage.setItem(KEY, name.trim().slice(0, LONGEST));
	} catch {
		// Then it lasts as long as the page is asked: not at all.
	}
}
