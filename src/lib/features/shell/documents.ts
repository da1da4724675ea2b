/** Every document of the project, of every kind, for the palette. */
import { cueWords } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Command } from '$lib/ui/commands.svelte';

type Open = (room: string, document?: string) => void;
export function documentCommands(session: ProjectSession, open: Open): Command[] {
	const { wiring, presets, bobsAndLags, courses } = session;
	const nameIn = (list: readonly { readonly id: string; readonly name: string }[], id: string): string =>
		list.find((entry) => entry.id === id)?.name ?? id;
	const names = (kind: 'event' | 'preset' | 'rig' | 'parameter', id: string): string =>
		kind === 'preset'
			? (presets.find((p) => p.id === id)?.name ?? id)
			: nameIn(kind === 'event' ? wiring.events : kind === 'rig' ? wiring.rigs : wiring.parameters, id);
	const made = (make: Promise<string | null>, room: string): void =>
		void make.then((id) => {
			if (id) open(room, id);
		});
	const one = (kind: string, id: string, label: string, about: string, run: () => void): Command => ({
		id: `${kind} ${id}`,
		label,
		about,
		run
	});
	return [
		one('new', 'shake', 'New shake', 'a preset', () => made(session.acts.addNew(), 'bench')),
		one('new', 'bob', 'New bob', 'head bobs', () => made(session.acts.newBody('bob'), 'bench')),
		one('new', 'lag', 'New lag', 'camera lags', () => made(session.acts.newBody('lag'), 'bench')),
		one('new', 'course', 'New course', 'courses', () =>
			made(
				session.courses.fetch().then((there) => (there ? session.courses.addNew() : null)),
				'course'
			)
		),
		...presets.map((p) =>
			one('preset', p.id, p.name, ['shake', ...p.tags.slice(0, 4)].join(', '), () => open('bench', p.id))
		),
		...bobsAndLags.map((p) =>
			one('preset', p.id, p.name, p.family === 'bob' ? 'head bob' : 'camera lag', () => open('bench', p.id))
		),
		...wiring.rigs.map((rig) => one('rig', rig.id, rig.name, `rig, ${rig.view.kind}`, () => open('rig', rig.id))),
		...courses.list.map((course) =>
			one('course', course.id, course.name, course.trace ? 'take' : 'course', () => open('course', course.id))
		),
		...wiring.cues.map((cue) => one('cue', cue.id, cueWords(cue, names), 'cue', () => open('cues', cue.id))),
		...wiring.events.map((event) =>
			one('event', event.id, event.name, `event, a ${event.kind}`, () => open('cues', `event:${event.id}`))
		),
		...wiring.parameters.map((value) =>
			one('value', value.id, value.name, 'game value', () => open('cues', `value:${value.id}`))
		)
	];
}
