/** What the server and the tool's own pages say to each other over the wire; what games say is the run-time's protocol. */
import type { FieldSet, FromGame, Hello, Recording } from 'dinesis-runtime/wire';

/** A game that runs just now, as pages hear of it. */
export interface GameThere extends Pick<Hello, 'game' | 'kit' | 'version' | 'seed' | 'rig' | 'viewers' | 'takes'> {
	readonly id: string;
	/** When it came, in milliseconds. */
	readonly since: number;
}

/** What pages hear of what a game says. */
export type GameSaid = Exclude<FromGame, { type: 'hello' | 'beat' }>;

export type ToPage =
	| { readonly type: 'games'; readonly games: readonly GameThere[] }
	| { readonly type: 'game'; readonly game: string; readonly said: GameSaid }
	/** Frames that were left out on the way to this page. */
	| { readonly type: 'skipped'; readonly frames: number }
	| { readonly type: 'beat' };

export type FromPage =
	| { readonly type: 'change'; readonly sets: readonly FieldSet[]; readonly stamp: string }
	| {
			readonly type: 'want';
			readonly game: string;
			/** Whether this page looks at its frames. */
			readonly frames: boolean;
			/** A moment is asked for, under this name. */
			readonly moment?: string;
	  }
	| { readonly type: 'take'; readonly game: string; readonly recording: Recording }
	| { readonly type: 'beat' };
