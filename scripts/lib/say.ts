/** What the commands say: on stderr, so that stdout stays data. Saying it must break nothing: a terminal may be closed, a pipe cut off. */
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

export function say(message: string): void {
	write(process.stderr, `dinesis: ${message}\n`);
}

/** A line of data on stdout. */
export const tell = (line: string): void => write(process.stdout, `${line}\n`);

function write(stream: NodeJS.WriteStream, text: string): void {
	try {
		stream.write(text);
	} catch {
		// Nobody listens any more.
	}
}

/** Says what is wrong and ends the program. */
export function fail(message: string, code = 2): never {
	say(message);
	process.exit(code);
}
