/** How numbers are written and read on the page: in which lengths, and how many frames are a second. Kept they are in metres and seconds. */
class Writing {
	length = $state<'m' | 'cm'>('m');
	frameRate = $state(60);

	/** How many of the written unit one of the kept is. */
	factor(unit: string): number {
		return this.length === 'cm' && IN_METRES.test(unit) ? 100 : 1;
	}

	/** How a unit is written. */
	unit(unit: string): string {
		return this.length === 'cm' ? unit.replace(IN_METRES, 'cm') : unit;
	}
}
/** Metres, and so many a second. */
const IN_METRES = /^m(?![a-z²³])/i;

export const writing = new Writing();
