import type { Cookies, RequestEvent } from '@sveltejs/kit';
import { cameByFront } from '../edge/front.ts';
import { SESSION_HOURS } from './visitor.ts';

/** Over HTTPS the name itself holds the cookie to this host, this path and HTTPS. */
const NAMES = { plain: 'jovet-session', secure: '__Host-jovet-session' } as const;

/**
 * The token that a browser sent. One whose session was ended opens nothing, and stays: by it the browser is known again, and
 * a stranger's tries do not count against it.
 */
export function tokenOf(cookies: Cookies): string | undefined {
	return cookies.get(NAMES.secure) ?? cookies.get(NAMES.plain);
}

/** Gives a browser its token; no script reads it, and no other site sends it along. */
export function setToken(event: RequestEvent, token: string): void {
	const secure = cameByFront(event);
	event.cookies.set(secure ? NAMES.secure : NAMES.plain, token, {
		path: '/',
		httpOnly: true,
		sameSite: 'lax',
		secure,
		// The server ends a session; the browser only has to remember it for as long as it may last.
		maxAge: SESSION_HOURS.tablet.most * 3600
	});
}
