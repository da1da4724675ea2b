/** Surveys and bakes of courses, and sounds listened to, off the page's thread. */
import { expose } from 'comlink';
import { bakeCourse, surveyCourse } from '$lib/course';
import { detectOnsets } from '$lib/analysis';
import { decodeText } from '$lib/documents';
import { clearInGrounds } from '$lib/world/clear';
import { readEventLog, readWav, trackToCsv } from '$lib/formats';
import type { CourseDoor } from './protocol';

const door: CourseDoor = {
	survey: (kit, course, columns, seed) => surveyCourse(kit, course, columns, { seed, clear: clearInGrounds }),
	bake(kit, course, fps, seed, progress) {
		const track = bakeCourse(kit, course, {
			fps,
			seed,
			clear: clearInGrounds,
			progress: (part) => void progress(part)
		});
		return trackToCsv(track!);
	},
	readLog(bytes) {
		const text = decodeText(bytes);
		return text.ok ? readEventLog(text.value) : { ok: false, problems: [{ place: '', message: text.message }] };
	},
	detectOnsets(bytes, sensitivity) {
		const sound = readWav(bytes);
		return sound.ok ? { ok: true, value: detectOnsets(sound.value.samples, sound.value.rate, sensitivity) } : sound;
	}
};
expose(door);
