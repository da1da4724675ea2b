/** What a stage is called and set to, in a few words. */
import type { Rig } from 'dinesis-runtime';
import type { RigStage, RigView } from 'dinesis-runtime/tools';

export const TITLES: Readonly<Record<RigStage, string>> = {
	lag: 'Lag',
	limits: 'Limits',
	bob: 'Head bob',
	lean: 'Lean',
	shakes: 'Shakes',
	ceiling: 'Ceiling'
};
/** Before the numbers of what it does. */
export const DOES: Readonly<Record<RigStage, string>> = {
	lag: 'trails',
	limits: 'holds',
	bob: 'adds',
	lean: 'adds',
	shakes: 'add',
	ceiling: 'takes'
};

/** `nameOf`: of a head bob or a lag; undefined when there is none of that id. */
export function aboutStage(
	rig: Rig,
	stage: RigStage,
	nameOf: (id: string) => string | undefined,
	playing: number
): string {
	const named = (id: string | null, none: string): string =>
		id === null ? none : (nameOf(id) ?? `${id}, which is gone`);
	const { limits, lean, ceiling } = rig;
	switch (stage) {
		case 'lag':
			return named(rig.lag, 'none: at once');
		case 'bob':
			return named(rig.bob, 'none');
		case 'limits': {
			const ranges = limits ? (['x', 'y', 'z'] as const).filter((axis) => limits[axis]).join(', ') : '';
			return [ranges && `a box in ${ranges}`, limits?.area && 'an area'].filter(Boolean).join(' and ') || 'none';
		}
		case 'lean': {
			if (!lean) return 'none';
			const turns = lean.rollByTurn !== 0 || lean.swayByTurn !== 0;
			const strafes = lean.rollByStrafe !== 0 || lean.swayByStrafe !== 0;
			return [turns && 'by turning', strafes && 'by strafing'].filter(Boolean).join(', ') || 'set to nothing';
		}
		case 'shakes':
			return [
				rig.motion.length > 0 && `${rig.motion.length} of its own`,
				playing > 0 ? `${playing} playing` : rig.motion.length === 0 && 'nothing plays',
				rig.lets && 'lets some through'
			]
				.filter(Boolean)
				.join(', ');
		case 'ceiling':
			return (
				Object.entries(ceiling ?? {})
					.flatMap(([channel, most]) => (most === null ? [] : [channel]))
					.join(', ') || 'none'
			);
	}
}

export function aboutView({ kind, back, side, fov, pixelsPerMetre, turns }: RigView): string {
	if (kind === 'eyes') return `through its eyes, ${fov}°`;
	const beside = side === 0 ? '' : `, ${Math.abs(side)} m ${side > 0 ? 'right' : 'left'}`;
	if (kind === 'chase') return `chase, ${back} m behind${beside}, ${fov}°`;
	if (kind === 'flat') return `flat, ${pixelsPerMetre} px a metre`;
	return `fixed${turns ? ', turns to it' : ''}, ${fov}°`;
}
