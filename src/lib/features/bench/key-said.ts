/** What a key says of its last press, for a moment. */
import type { Outcome, Seconds } from 'dinesis-runtime/tools';

const FOR: Seconds = 1.4;

/** What a press came to, in the key's words; a play that simply started needs none. */
const WORDS: Readonly<Partial<Record<Outcome, string>>> = {
	ignored: 'ignored: it plays already',
	restarted: 'started over',
	extended: 'goes on longer',
	replaced: 'the quietest gives way'
};

export class KeySaid {
	private now: Seconds = 0;
	private readonly said = new Map<string, { readonly text: string; readonly until: Seconds }>();

	pass(seconds: Seconds): void {
		this.now += seconds;
	}

	say(key: string, text: string): void {
		this.said.set(key, { text, until: this.now + FOR });
	}

	came(key: string, to: Outcome): void {
		const text = WORDS[to];
		if (text) this.say(key, text);
	}

	/** Empty when there is nothing to say, or it is long past. */
	of(key: string): string {
		const said = this.said.get(key);
		return said && said.until > this.now ? said.text : '';
	}
}
