/** A target's world as one writes it: `up=z,ahead=x,hand=left,length=cm,angle=radians,rotation=zyx`. */
import { AXES, ORDERS, OWN_WORLD, worldTrouble, type TargetWorld } from './axes';

const MAY: Readonly<Record<keyof TargetWorld, readonly string[]>> = {
	up: AXES,
	ahead: AXES,
	hand: ['right', 'left'],
	length: ['m', 'cm', 'px'],
	angle: ['degrees', 'radians'],
	rotation: ['quaternion', ...ORDERS]
};

/** The world, or a sentence that says what is wrong with it. What is not named is as the tool has it. */
export function worldOf(text: string): TargetWorld | string {
	const world: Record<string, string> = { ...OWN_WORLD };
	for (const part of text.split(',').filter((one) => one.trim() !== '')) {
		const [name = '', value = ''] = part.split('=').map((one) => one.trim());
		const may = MAY[name as keyof TargetWorld] as readonly string[] | undefined;
		if (!may) return `“${name.slice(0, 40)}” is nothing of a world; ${Object.keys(MAY).join(', ')} are.`;
		if (!may.includes(value)) return `${name} is “${value.slice(0, 40)}”; one of ${may.join(', ')} is needed.`;
		world[name] = value;
	}
	const made = world as unknown as TargetWorld;
	return worldTrouble(made) || made;
}

export const worldText = (world: TargetWorld): string =>
	(Object.keys(MAY) as (keyof TargetWorld)[]).map((name) => `${name}=${world[name]}`).join(',');
