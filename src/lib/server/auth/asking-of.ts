import type { RequestEvent } from '@sveltejs/kit';
import type { Asking } from './doors.ts';
import { browserName } from './browser-name.ts';
import { tokenOf } from './session-cookie.ts';

/** Who asks at a door, from a request. */
export function askingOf({ cookies, request, getClientAddress }: RequestEvent): Asking {
	return {
		address: getClientAddress(),
		browser: browserName(request.headers.get('user-agent')),
		token: tokenOf(cookies),
		nowMs: Date.now()
	};
}
