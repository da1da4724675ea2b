import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** Where the stand-in game is that was started with this server; null: there is none. */
export const GET: RequestHandler = () => json({ address: process.env.DINESIS_STAND_IN ?? null });
