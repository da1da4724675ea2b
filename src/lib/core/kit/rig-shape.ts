/** What a rig looks like in a kit. */
import { RIG_STAGES } from '../chain/rig';
import { CHANNELS } from '../units/channels';
import { LIMITS } from './preset-shape';
import { id, list, number, object, oneOf, orNull, record, required, text, withDefault } from './shape';

/** A rig. */
export const rig = object({
	id: required(id('of the rig')),
	name: required(text('a name', 120, 1)),
	about: withDefault(text('a description', 4000), ''),
	bob: withDefault(orNull(id('of a head bob')), null),
	lag: withDefault(orNull(id('of a camera lag')), null),
	ceiling: withDefault(orNull(record(CHANNELS, orNull(number('the most of the channel', 0, LIMITS.amplitude)))), null),
	bypass: withDefault(list(oneOf('a stage that is left out', RIG_STAGES), { most: RIG_STAGES.length }), [])
});
