/** Chart.js, read when the first chart is on the page; all of them share what is registered here. */
import { arriving } from '$lib/ui/arriving';

export interface Charts {
	readonly Chart: typeof import('chart.js').Chart;
}
let made: Promise<Charts> | null = null;

async function read(): Promise<Charts> {
	const [parts, { default: annotations }] = await Promise.all([
		import('chart.js'),
		import('chartjs-plugin-annotation')
	]);
	const { Chart } = parts;
	Chart.register(
		parts.ScatterController,
		parts.BarController,
		parts.PointElement,
		parts.LineElement,
		parts.BarElement,
		parts.LinearScale,
		parts.LogarithmicScale,
		parts.CategoryScale,
		parts.Tooltip,
		annotations
	);
	Chart.defaults.font.family = '"Hanken Grotesk Variable", sans-serif';
	return { Chart };
}

/** `late` is called when it does not come at once. */
export function loadCharts(gone: () => boolean, late: () => void): Promise<Charts> {
	return arriving(
		() =>
			(made ??= read().catch((error: unknown) => {
				made = null;
				throw error;
			})),
		gone,
		late
	);
}
