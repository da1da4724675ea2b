import { describe, expect, it } from 'vitest';
import { readTyped } from './typed-number';
import { alike, readUnit } from './units';

const value = (typed: string, unit = '', present = 4, fps = 60) => {
	const read = readTyped(typed, { present, unit, fps });
	return 'value' in read ? read.value : read.trouble;
};

describe('a number as typed', () => {
	it.each<[string, number]>([
		['1.5', 1.5],
		['1,5', 1.5],
		['1.234,5'.slice(0, 5), 1.234],
		[' -0.2 ', -0.2],
		['−3', -3],
		['.5', 0.5],
		['1e-3', 0.001],
		['1/1.5', 1 / 1.5],
		['30/60', 0.5],
		['2 + 3 * 4', 14],
		['(2 + 3) * 4', 20],
		['8/2/2', 2],
		['5 - 2 - 1', 2],
		['-(2 + 1)', -3],
		['2 × 3', 6],
		['0.1 + 0.2', 0.3]
	])('%s is a sum', (typed, wanted) => expect(value(typed)).toBeCloseTo(wanted, 11));

	it.each<[string, number]>([
		['*2', 8],
		['×2', 8],
		['*1/3', 4 / 3],
		['/4', 1],
		['+0.5', 4.5],
		['+=0.5', 4.5],
		['-=1', 3],
		['+10%', 4.4],
		['-=25%', 3],
		['*50%', 2]
	])('%s changes what stands there', (typed, wanted) => expect(value(typed, 's')).toBeCloseTo(wanted, 11));
});

describe('units', () => {
	it.each<[string, string, number]>([
		['5cm', 'm', 0.05],
		['3 mm', 'm', 0.003],
		['0.002 km', 'm', 2],
		['40ms', 's', 0.04],
		['1.5 min', 's', 90],
		['2 s', 's', 2],
		['1.4°', '°', 1.4],
		['0.3rad', '°', (0.3 * 180) / Math.PI],
		['0.25 turn', '°', 90],
		['12px', 'px', 12],
		['2 kHz', 'Hz', 2000],
		['90/min', 'Hz', 1.5],
		['3 Hz', '/s', 3],
		['36 km/h', 'm/s', 10],
		['980 cm/s²', 'm/s²', 9.8],
		['980cm/s2', 'm/s²', 9.8],
		['1 rad/m', '°/m', 180 / Math.PI],
		['1m + 5cm', 'm', 1.05],
		['1 + 5cm', 'm', 1.05],
		['5cm + 1', 'm', 1.05],
		['2 * 5cm', 'm', 0.1],
		['10cm / 4', 'm', 0.025],
		['50% * 3cm', 'm', 0.015],
		['-5cm', 'm', -0.05],
		['+5cm', 'm', 4.05],
		['-=5cm', 'm', 3.95],
		['0.5 s', 's, a cut', 0.5],
		['2x', '× away', 2],
		['3 N', 'N', 3]
	])('%s in %s', (typed, unit, wanted) => expect(value(typed, unit)).toBeCloseTo(wanted, 11));

	it('frames are those of the project', () => {
		expect(value('12f', 's')).toBeCloseTo(0.2, 12);
		expect(value('12 frames', 's', 4, 24)).toBeCloseTo(0.5, 12);
		expect(value('+1f', 's', 1, 30)).toBeCloseTo(1 + 1 / 30, 12);
	});

	it('a share is a number where one counts in shares or factors, a part of what stands there elsewhere', () => {
		expect([value('80%', '×'), value('80%'), value('80%', '% of all cases')]).toEqual([0.8, 0.8, 80]);
		expect([value('80%', 'm'), value('80%', 's', 10)]).toEqual([3.2, 8]);
	});

	it('what an own number is in is what the field is in, not metres', () => {
		expect(value('1', 'cm')).toBe(1);
		expect(value('1m', 'cm')).toBe(100);
		expect(value('5mm + 1', 'cm')).toBeCloseTo(1.5, 12);
	});

	it('are read with powers and quotients; only like ones stand for one another', () => {
		const unit = (text: string) => readUnit(text)!;
		expect(alike(unit('m/s^2'), unit('mm/s²'))).toBe(true);
		expect(alike(unit('Hz'), unit('/s'))).toBe(true);
		expect(alike(unit('m'), unit('px'))).toBe(false);
		expect([readUnit('furlong'), readUnit('m/s/s'), readUnit('m/')]).toEqual([null, null, null]);
	});
});

describe('what is not understood', () => {
	it.each<[string, string, RegExp]>([
		['', 'm', /A number is needed/],
		['two', 'm', /A number is needed before “two”/],
		['1.2.3', 'm', /“.3” is not understood here/],
		['5 s', 'm', /“s” is no unit for a number in m/],
		['5cm', '', /“cm” is no unit for a bare number/],
		['5 px', 'm', /“px” is no unit/],
		['5 furlongs', 'm', /“furlongs” is no unit that is known here/],
		['2 +', 'm', /missing at the end/],
		['(2 + 1', 'm', /not closed/],
		['5cm * 2cm', 'm', /Only one number/],
		['2 / 5cm', 'm', /divided by/],
		['*5cm', 'm', /A factor has no unit/],
		['1 + 50%', 'm', /A share is no number in m/],
		['1/0', 'm', /divided by 0/],
		['/0', 'm', /divided by 0/],
		['5 $', 'm', /“\$” is not understood/]
	])('“%s” in %s', (typed, unit, wanted) => expect(value(typed, unit)).toMatch(wanted));
});
