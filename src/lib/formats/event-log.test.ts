import { describe, expect, it } from 'vitest';
import { readEventLog } from './event-log';

const read = (text: string) => {
	const result = readEventLog(text);
	if (!result.ok) throw new Error(result.problems.map((p) => `${p.place} ${p.message}`).join('; '));
	return result.value;
};
const wrong = (text: string): string[] => {
	const result = readEventLog(text);
	return result.ok ? [] : result.problems.map((p) => `${p.place} ${p.message}`.trim());
};

describe('a log of events', () => {
	it('as CSV: numbers by their columns, a place where there is one, rows in the order of their times', () => {
		const log = read('\ufefftime,event,x,y,z,impact\n2.5,cask-set-down,1,0,-3,6.5\n1,rope-slaps,,,,\n');
		expect(log.seconds).toBe(2.5);
		expect(log.events).toEqual([
			{ at: 1, event: 'rope-slaps', length: null, values: {}, place: null, who: 0 },
			{ at: 2.5, event: 'cask-set-down', length: null, values: { impact: 6.5 }, place: [1, 0, -3], who: 0 }
		]);
	});

	it('as JSON lines; a start and an end become a length, apart by their keys', () => {
		const log = read(
			[
				'{"time":0,"event":"run","phase":"starts","key":"a"}',
				'{"time":1,"event":"run","phase":"starts","key":"b"}',
				'',
				'{"time":4,"event":"run","phase":"ends","key":"a"}',
				'{"time":5,"event":"hit","values":{"v":2},"place":[0,1,2]}'
			].join('\n')
		);
		expect(log.events.map((e) => [e.event, e.at, e.length])).toEqual([
			['run', 0, 4],
			['run', 1, null],
			['hit', 5, null]
		]);
		expect(log.events[2]).toMatchObject({ values: { v: 2 }, place: [0, 1, 2] });
	});

	it.each([
		['', ['The log is empty.']],
		['zeit,event\n1,hit', ['row 1 has no column "time"', 'row 2 time is nothing; seconds from 0 on are needed']],
		['time,event\n1,hit\nsoon,hit', ['row 3 time is "soon"; seconds from 0 on are needed']],
		['time,event\n-1,hit', ['row 2 time is -1; seconds from 0 on are needed']],
		['{"time": 1, "event": " "}', ['row 1 event is " "; an id or a name of up to 120 letters is needed']],
		['time,event,phase\n1,hit,maybe', ['row 2 phase is "maybe"; happens, starts or ends is needed']],
		['time,event,x,y,z\n1,hit,1,2,', ['row 2 x, y and z: three numbers are needed, or none']],
		['time,event,v\n1,hit,hard', ['row 2 v is "hard"; a number is needed']],
		['time,event,phase\n1,run,ends', ['row 2 "run" ends without a start']],
		[
			'{"time":1,"event":"hit"}\n{"time":',
			[
				'row 2 is not JSON that can be kept: time column 9: the text ends here; a value is needed (numbers must be finite; JSON knows no NaN or Infinity)'
			]
		],
		['time,event,v\n1,hit', ['row 2 has 2 cells; the header has 3']],
		['time,event,time\n1,hit,2', ['row 1 has two columns "time"']],
		['time,event\n3601,hit', ['row 2 time is 3601; a log may be an hour long, 3600 seconds']],
		[
			'{"time":1,"event":"hit","event":"cut"}',
			[
				'row 1 is not JSON that can be kept: event column 25: the object has a field of this name already; one of them would be lost'
			]
		],
		['{"time":1,"event":"hit"}\n7', ['row 2 is 7; an object is needed']]
	])('what is wrong is told by its row: %j', (text, wanted) => {
		expect(wrong(text)).toEqual(wanted);
	});
});

describe('a very long log', () => {
	it('a million wrong rows are given up at the fiftieth', () => {
		const problems = wrong(`time,event\n${'soon,hit\n'.repeat(1_000_000)}`);
		expect(problems).toHaveLength(50);
		expect(problems.at(-1)).toMatch(/^row 51 /);
	});

	it('more rows than a course has events are refused', () => {
		expect(wrong(`time,event\n${'1,hit\n'.repeat(100_001)}`)).toEqual([
			'has more than 100000 rows; so many are not read'
		]);
	});
});

describe('tags of what happened', () => {
	it('come as words between ";" in CSV and as a list in JSON lines; none are left out', () => {
		const csv = readEventLog('time,event,tags,speed\n1,blow,enemy; large ,3\n2,blow,,4\n');
		const json = readEventLog(
			'{"time":1,"event":"blow","tags":["enemy","large"],"values":{"speed":3}}\n{"time":2,"event":"blow"}'
		);
		for (const read of [csv, json]) {
			if (!read.ok) throw new Error('not read');
			expect(read.value.events.map(({ tags }) => tags)).toEqual([['enemy', 'large'], undefined]);
			expect('tags' in read.value.events[1]!).toBe(false);
			expect(read.value.events[0]!.values).toEqual({ speed: 3 });
		}
	});

	it('what is no tag is told by its row', () => {
		const read = readEventLog('{"time":1,"event":"blow","tags":["enemy",7]}');
		expect(!read.ok && read.problems).toEqual([
			{ place: 'row 1', message: 'tags has 7; words of up to 40 letters are needed' }
		]);
	});
});
