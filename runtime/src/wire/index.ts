/**
 * The door of the wire: connects a running game with the tool. A package entry of its own, so that a game that is done carries none of it.
 *
 *     import { connect } from 'dinesis-runtime/wire';
 */
export { connect, type SocketLike, type Wire, type WireOptions } from './client';
export { fieldsBetween, withFields, type FieldSet } from './fields';
export { bodiesOf, callAgain, Replayed } from './replayed';
export {
	BODY_NUMBERS,
	GROUNDED,
	LIMITS,
	ON_FOOT,
	WIRE,
	type CallRow,
	type FrameRow,
	type FromGame,
	type Hello,
	type PlayedRow,
	type Recording,
	type ToGame
} from './protocol';
export { frameAt, momentOf, type Moment } from '../frame/moment';
export type { Called } from '../game/runtime';
