/** The hand that moves a map: drag, wheel and two fingers, held by d3; what is seen stays in metres. */
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent } from 'd3-zoom';
import type { MapView } from '$lib/world/map-view';

/** Metres from the middle to the upper edge: closest and farthest. */
const [CLOSEST, FARTHEST] = [2, 400];

export interface MapHand {
	/** Where the map stands now: a hand takes it up from there. `scale` in pixels a metre. */
	stands: (view: MapView, scale: number, width: number, height: number) => void;
}
interface Wishes {
	/** Whether what lies under the pointer is the map itself. */
	readonly isGround: (target: EventTarget | null) => boolean;
	readonly onview: (view: MapView) => void;
	/** A press that moved nothing. */
	readonly onpress: () => void;
}

export function mapHand(element: SVGSVGElement, { isGround, onview, onpress }: Wishes): MapHand {
	let moved = false;
	let [width, height] = [1, 1];
	const hand = zoom<SVGSVGElement, unknown>()
		.filter((event: MouseEvent) => !event.button && (event.type === 'wheel' || isGround(event.target)))
		.on('start', () => (moved = false))
		.on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<SVGSVGElement, unknown>) => {
			if (!sourceEvent) return;
			moved = true;
			const half = height / 2 / transform.k;
			onview({ x: (width / 2 - transform.x) / transform.k, z: (height / 2 - transform.y) / transform.k, half });
		})
		.on('end', ({ sourceEvent }: D3ZoomEvent<SVGSVGElement, unknown>) => {
			if (!moved && sourceEvent && (sourceEvent as Event).type !== 'wheel') onpress();
		});
	const ground = select(element).call(hand).on('dblclick.zoom', null);
	return {
		stands: (view, scale, w, h) => {
			[width, height] = [w, h];
			hand.scaleExtent([h / 2 / FARTHEST, h / 2 / CLOSEST]);
			ground.property('__zoom', zoomIdentity.translate(w / 2 - view.x * scale, h / 2 - view.z * scale).scale(scale));
		}
	};
}
