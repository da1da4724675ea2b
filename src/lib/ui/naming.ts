/** What is made new is named at once: its name is selected as it appears. */
export class Naming {
	private fresh = '';

	/** One of that id was made and is about to appear. */
	begin(id: string): void {
		this.fresh = id;
	}

	/** For the field of the name of the one with that id. */
	readonly at =
		(id: string) =>
		(field: HTMLInputElement): void => {
			if (id !== this.fresh) return;
			this.fresh = '';
			field.focus();
			field.select();
		};
}
