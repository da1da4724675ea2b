/** Whether the middle of every picture is marked; remembered in this browser. */
const NAME = 'dinesis:centre';

class CentreMark {
	on = $state(true);

	/** Reads what was chosen last time. In the browser only. */
	recall(): void {
		try {
			this.on = localStorage.getItem(NAME) !== 'no';
		} catch {
			// It is shown again each time.
		}
	}

	turn(): void {
		this.on = !this.on;
		try {
			localStorage.setItem(NAME, this.on ? 'yes' : 'no');
		} catch {
			// It holds as long as the page.
		}
	}
}
export const centreMark = new CentreMark();
