/** ./dinesis stop: ends the one that runs, as Ctrl+C would. */
import { setTimeout as wait } from 'node:timers/promises';
import { findRunning } from './lib/running';
import { fail, say } from './lib/say';

const running = findRunning();
if (!running) say('nothing is running');
else {
	process.kill(running.pid, 'SIGINT');
	for (let i = 0; i < 300 && findRunning(); i++) await wait(100);
	if (findRunning()) fail(`process ${running.pid} did not end within 30 s.`, 1);
	say('ended');
}
