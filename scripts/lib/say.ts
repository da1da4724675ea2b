/** What the commands say: on stderr, so that stdout stays data. */
export const say = (message: string): void => void process.stderr.write(`dinesis: ${message}\n`);

/** Says what is wrong and ends the program. */
export function fail(message: string, code = 2): never {
	say(message);
	process.exit(code);
}
