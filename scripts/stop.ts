/** ./dinesis stop: ends the one that runs, as Ctrl+C would, and looks at the database itself: nothing of it is left behind. */
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Cluster } from './lib/cluster';
import { DATA } from './lib/paths';
import { beganOf } from './lib/processes';
import { findRunning } from './lib/running';
import { fail, say } from './lib/say';

const running = findRunning();
if (running) {
	process.kill(running.pid, 'SIGINT');
	// A stopped one would not hear it.
	process.kill(running.pid, 'SIGCONT');
	for (let i = 0; i < 600 && beganOf(running.pid) === running.began; i++) await wait(100);
	if (beganOf(running.pid) === running.began) fail(`process ${running.pid} did not end within 60 s.`, 1);
}
try {
	const left = await Cluster.endOrphan({ folder: join(DATA, 'postgres'), say });
	if (running) say(left ? 'ended, and the database that it had left behind' : 'ended');
	else say(left ? 'nothing was running but a database that was left behind; it is ended' : 'nothing is running');
} catch (error) {
	fail((error as Error).message, 1);
}
