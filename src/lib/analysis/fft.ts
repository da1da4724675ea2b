/** The one door to the Fourier transform. Sizes are powers of two. */
import FFT from 'fft.js';

export class Spectrum {
	private readonly fft: FFT;
	private readonly out: number[];

	constructor(readonly size: number) {
		this.fft = new FFT(size);
		this.out = this.fft.createComplexArray();
	}

	/** Squared magnitudes of the bins 0 … size/2 − 1 of a real signal, into `out`. */
	power(signal: ArrayLike<number>, out: Float64Array): void {
		this.fft.realTransform(this.out, signal as number[]);
		for (let k = 0; k < this.size / 2; k++) {
			const [re, im] = [this.out[2 * k]!, this.out[2 * k + 1]!];
			out[k] = re * re + im * im;
		}
	}
}
