import { describe, expect, it } from 'vitest';
import { decisionsToCsv } from './decisions';

describe('what every event came to, as CSV', () => {
	it('has a row for each; felt is 0 where nothing is, and commas are kept', () => {
		const play = { kind: 'played', cue: 'enemies', preset: 'thud', viewer: 'one', strength: 1 } as const;
		const csv = decisionsToCsv([
			{ ...play, at: 1, outcome: 'started', felt: 0.75 },
			{ kind: 'missed', at: 1.25, cue: 'enemies', event: 'blow', why: 'cooling-down', of: '', is: 0.25 },
			{ ...play, at: 3, outcome: 'out-of-reach', felt: 0 },
			{ ...play, at: 4, outcome: 'other-view', felt: 1 }
		]);
		expect(csv.split('\n')).toEqual([
			'time,cue,viewer,preset,felt,strength,why',
			'1,enemies,one,thud,0.75,1,',
			'1.25,enemies,,,0,,"cooling down, 0.25 s to go"',
			'3,enemies,one,thud,0,1,out of reach',
			'4,enemies,one,thud,0,1,"made for the other view, not felt here"',
			''
		]);
	});
});
