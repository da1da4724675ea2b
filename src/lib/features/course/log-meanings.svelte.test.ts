import { beforeEach, describe, expect, it } from 'vitest';
import { rememberedMeanings, rememberMeanings } from './log-meanings';

beforeEach(() => localStorage.clear());

describe('what names of a log meant before', () => {
	it('is kept by project, beside what other logs said', () => {
		rememberMeanings('quay', { Gate: 'gate', Storm: '' });
		rememberMeanings('quay', { Gate: 'door' });
		expect(rememberedMeanings('quay')).toEqual({ Gate: 'door', Storm: '' });
		expect(rememberedMeanings('other')).toEqual({});
	});

	it('what is broken there is as nothing', () => {
		localStorage.setItem('dinesis-log-names quay', '{"Gate": 7, "Storm": "storm"');
		expect(rememberedMeanings('quay')).toEqual({});
		localStorage.setItem('dinesis-log-names quay', '{"Gate": 7, "Storm": "storm"}');
		expect(rememberedMeanings('quay')).toEqual({ Storm: 'storm' });
	});
});
