import { redirect } from '@sveltejs/kit';
import { browser } from '$app/environment';
import { addressOf, lastPlace } from '$lib/session/places';
import type { PageLoad } from './$types';

/** The project's own address: the room where one was last. Only the browser knows which; the server opens the Bench. */
export const load: PageLoad = ({ params }) => {
	const slug = params.project;
	const place = browser ? lastPlace(slug) : { slug, room: 'bench', document: '' };
	redirect(303, addressOf(place));
};
