/** Sound files: RIFF WAVE with PCM samples of 8, 16, 24 or 32 bits or floats, read as one channel, the mean of all. */
import type { ReadResult } from 'dinesis-runtime';

export interface Sound {
	/** Samples a second. */
	readonly rate: number;
	/** −1 … 1. */
	readonly samples: Float32Array;
}

/** Ten minutes of two channels at 96 kHz and 32 bits. */
export const MOST_WAV_BYTES = 10 * 60 * 2 * 96000 * 4 + 4096;
const MOST_SECONDS = 3600;
const PCM = 1;
const FLOAT = 3;
const EXTENSIBLE = 0xfffe;

const wrong = (place: string, message: string): ReadResult<Sound> => ({ ok: false, problems: [{ place, message }] });

/** Refusals name the part of the file. */
export function readWav(bytes: ArrayBuffer): ReadResult<Sound> {
	if (bytes.byteLength > MOST_WAV_BYTES)
		return wrong('the file', `is ${bytes.byteLength} bytes long; at most ${MOST_WAV_BYTES} are read`);
	const view = new DataView(bytes);
	const name = (at: number): string =>
		at + 4 <= bytes.byteLength ? String.fromCharCode(...new Uint8Array(bytes, at, 4)) : '';
	if (name(0) !== 'RIFF' || name(8) !== 'WAVE')
		return wrong('the first bytes', 'are not those of a WAV file (RIFF … WAVE)');
	let format = 0;
	let channels = 0;
	let rate = 0;
	let bits = 0;
	let data: { readonly at: number; readonly length: number } | null = null;
	for (let at = 12; at + 8 <= bytes.byteLength && !data;) {
		const length = view.getUint32(at + 4, true);
		const from = at + 8;
		if (name(at) === 'fmt ' && from + 16 <= bytes.byteLength) {
			format = view.getUint16(from, true);
			channels = view.getUint16(from + 2, true);
			rate = view.getUint32(from + 4, true);
			bits = view.getUint16(from + 14, true);
			if (format === EXTENSIBLE && length >= 26) format = view.getUint16(from + 24, true);
		} else if (name(at) === 'data') data = { at: from, length: Math.min(length, bytes.byteLength - from) };
		// Parts are padded to an even length.
		at = from + length + (length % 2);
	}
	if (channels < 1 || channels > 64 || rate < 1000 || rate > 384000)
		return wrong(
			'the part "fmt "',
			`says ${channels} channels at ${rate} samples a second; 1–64 at 1000–384000 are read`
		);
	const read = readerOf(format, bits, view);
	if (!read)
		return wrong(
			'the part "fmt "',
			`says format ${format} with ${bits} bits; PCM of 8, 16, 24, 32 bits or floats are read`
		);
	if (!data) return wrong('the file', 'has no part "data"');
	const size = bits / 8;
	const count = Math.floor(data.length / (size * channels));
	if (count === 0) return wrong('the part "data"', 'holds no sample');
	if (count / rate > MOST_SECONDS)
		return wrong(
			'the part "data"',
			`lasts ${Math.round(count / rate)} seconds; at most an hour, ${MOST_SECONDS}, is read`
		);
	const samples = new Float32Array(count);
	for (let i = 0; i < count; i++) {
		let sum = 0;
		for (let c = 0; c < channels; c++) sum += read(data.at + (i * channels + c) * size);
		if (!Number.isFinite(sum)) return wrong(`sample ${i + 1} of the part "data"`, 'is no number');
		samples[i] = sum / channels;
	}
	return { ok: true, value: { rate, samples } };
}

function readerOf(format: number, bits: number, view: DataView): ((at: number) => number) | null {
	if (format === FLOAT && bits === 32) return (at) => view.getFloat32(at, true);
	if (format === FLOAT && bits === 64) return (at) => view.getFloat64(at, true);
	if (format !== PCM) return null;
	if (bits === 8) return (at) => (view.getUint8(at) - 128) / 128;
	if (bits === 16) return (at) => view.getInt16(at, true) / 32768;
	if (bits === 24) return (at) => (view.getUint16(at, true) + view.getInt8(at + 2) * 65536) / 8388608;
	if (bits === 32) return (at) => view.getInt32(at, true) / 2147483648;
	return null;
}
