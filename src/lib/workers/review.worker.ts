/** Motion under review, off the page's thread. */
import { expose } from 'comlink';
import { costOf, detailOf, figuresOf, JUDGED, playMany, playOnce, type Asked, type Judged } from '$lib/review';
import { comfortLimits, verdictOf } from '$lib/review/verdict';
import { verdictPage } from '$lib/review/verdict-page';
import { clearInGrounds, withinGrounds } from '$lib/world/clear';
import type { ReviewDoor, Sent } from './protocol';

const inGrounds = (asked: Sent): Asked => ({ ...asked, clear: clearInGrounds });
const judgedBy = ({ eyes }: Sent): Judged => (eyes ? { ...JUDGED, eyes } : JUDGED);
/** Told so often, in milliseconds: telling takes longer than a play. */
const OFTEN = 50;
function told(progress: (part: number) => void): (part: number) => void {
	let last = 0;
	return (part) => {
		const now = performance.now();
		if (now - last < OFTEN) return;
		last = now;
		progress(part);
	};
}

const door: ReviewDoor = {
	look(asked, seed) {
		const motion = playOnce(inGrounds(asked), seed);
		const cost = costOf(inGrounds(asked), seed, () => performance.now());
		return { motion, figures: figuresOf(motion, judgedBy(asked)), detail: detailOf(motion), cost };
	},
	many: async (asked, seeds, progress) =>
		playMany(inGrounds(asked), { seeds, judged: judgedBy(asked), going: told(progress) }),
	async verdict(kit, { subjects, seeds, against, day }, progress) {
		const verdict = verdictOf(kit, {
			subjects,
			seeds,
			limits: comfortLimits(kit),
			against: against?.kit ?? null,
			grounds: { clear: clearInGrounds, within: withinGrounds },
			going: told(progress)
		})!;
		return { json: `${JSON.stringify(verdict, null, 2)}\n`, html: verdictPage(verdict, against?.name, day) };
	},
	players: (asked, shares, seed) =>
		shares.map((share) => ({
			share,
			figures: figuresOf(playOnce({ ...inGrounds(asked), player: share }, seed), judgedBy(asked))
		})),
	async all(kit, subjects, progress) {
		const tell = told(progress);
		return subjects.map((subject, i) => {
			tell(i / subjects.length);
			return { subject, figures: figuresOf(playOnce(inGrounds({ kit, subject }), 1)) };
		});
	}
};
expose(door);
