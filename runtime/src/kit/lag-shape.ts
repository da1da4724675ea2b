/** What a camera lag looks like in a kit. */
import { LAG_AXES } from '../lag/types';
import { RANGES, tag } from './preset-shape';
import { id, list, number, object, oneOf, orNull, record, required, text, withDefault, type Shape } from './shape';

const seconds = (what: string): Shape => number(`${what}, in seconds`, 0, RANGES.seconds);

const axis = object({
	follow: withDefault(oneOf('how it follows', ['none', 'half-life', 'spring']), 'half-life'),
	halfLife: withDefault(seconds('in which the error halves'), 0.15),
	settle: withDefault(orNull(seconds('in which it halves once the body stands')), null),
	frequency: withDefault(number('of its spring', 0.05, 30), 2),
	damping: withDefault(number('damping ratio', 0.01, 10), 1),
	atMost: withDefault(orNull(number('the farthest it may trail', 0, RANGES.amplitude)), null),
	quiet: withDefault(number('moves within this do nothing', 0, RANGES.amplitude), 0)
});

/** A camera lag. */
export const lagPreset = object({
	id: required(id('of the preset')),
	family: required(oneOf('the family', ['lag'])),
	view: withDefault(oneOf('what it is for', ['space', 'flat']), 'space'),
	name: required(text('a name', 120, 1)),
	about: withDefault(text('a description', 4000), ''),
	tags: withDefault(list(tag, { most: 40 }), []),
	axes: withDefault(record(LAG_AXES, axis), {}),
	leadsBy: withDefault(seconds('that it looks ahead'), 0),
	leadHalfLife: withDefault(seconds('of the smoothing of that'), 0.15),
	snapsBeyond: withDefault(orNull(number('metres that are no move but a change of place', 0.01, 1e6)), null)
});
