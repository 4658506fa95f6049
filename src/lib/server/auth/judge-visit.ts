import type { RequestEvent } from '@sveltejs/kit';
import { mayRole, RIGHTS, rolesSpoken } from '../../contracts/rights.ts';
import { cameByFront } from '../edge/front.ts';
import { loadBakery } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { passingTrouble } from '../page.ts';
import { asksOfRoute } from './rights-of-routes.ts';

const NO_STORE = { 'cache-control': 'no-store' };

/**
 * Holds a request against what reading its route asks for. Gives an answer where there is nothing more to do: the way to the
 * door for who is not signed in, a refusal of a door of programs. A page that may not be read is told so by itself, within
 * its frame: `locals.shut` says why, and `forPage` heeds it.
 */
export async function judgeVisit(
	event: RequestEvent,
	db: Db,
	isPage: boolean
): Promise<Response | null> {
	const { route, locals, url } = event;
	if (route.id === null) return null;
	const isLook = event.request.method === 'GET' || event.request.method === 'HEAD';
	const asks = asksOfRoute(route.id);
	if (asks === 'nothing') return null;
	if (asks === null) throw new Error(`no right is named for reading ${route.id}`);
	try {
		const { actor, session } = await locals.visitor();
		if (!actor) {
			// Before there is a bakery there is nothing to keep, and nobody to sign in.
			if (!(await loadBakery(db))) return cameByFront(event) ? notFromHere() : null;
			return isPage && isLook ? toTheDoor(url) : signedOut(event.request);
		}
		if (asks === 'signed-in' || mayRole(actor.role, asks)) return null;
		const roles = RIGHTS[asks];
		locals.shut = {
			status: 403,
			message: `This page is for ${rolesSpoken(roles)}. You are signed in as ${actor.name}${WAY_IN[actor.role === 'screen' ? 'screen' : (session?.kind ?? 'desk')]}.`,
			next:
				session?.kind === 'tablet'
					? { href: '/hands', label: 'Change hands' }
					: { href: '/', label: 'Go to the next bake' }
		};
	} catch (error) {
		const message = passingTrouble(error);
		if (message === null) throw error;
		locals.shut = { status: 503, message };
	}
	return isPage && isLook ? null : shutAnswer(locals.shut);
}

/** Why something may not be read, where no page says it. */
export function shutAnswer({ status, message }: App.Error & { status: number }): Response {
	return new Response(`${message}\n`, {
		status,
		headers: { ...NO_STORE, 'content-type': 'text/plain; charset=utf-8' }
	});
}

/** How somebody is signed in, behind the name. */
const WAY_IN = {
	screen: ", a screen in nobody's hands",
	desk: '',
	tablet: ', by the code of a tablet; with a password at a desk more is open',
	wall: ''
} as const;

function toTheDoor(url: URL): Response {
	const path = url.pathname.replace(/\/__data\.json$/, '');
	const to = path === '' || path === '/' ? '' : `?to=${encodeURIComponent(path)}`;
	return new Response(null, { status: 303, headers: { ...NO_STORE, location: `/sign-in${to}` } });
}

/** Whoever begins a bakery keeps its house: that is done at the machine, not by whoever is first on the network. */
function notFromHere(): Response {
	return shutAnswer({
		status: 403,
		message:
			'There is no bakery here yet. It is begun on the machine that Jovet runs on, at the address it says there; then this one works.'
	});
}

function signedOut(request: Request): Response {
	// A form that a page sends by itself is led to the door, as a page is.
	if (request.headers.get('x-sveltekit-action') === 'true')
		return new Response(JSON.stringify({ type: 'redirect', status: 303, location: '/sign-in' }), {
			headers: { ...NO_STORE, 'content-type': 'application/json' }
		});
	return new Response('Nobody is signed in here. Open Jovet in this browser and sign in.\n', {
		status: 401,
		headers: { ...NO_STORE, 'content-type': 'text/plain; charset=utf-8' }
	});
}
