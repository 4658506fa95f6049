import type { RequestEvent } from '@sveltejs/kit';
import type { Asking } from './doors.ts';
import { addressOf } from '../edge/front.ts';
import { browserName } from './browser-name.ts';
import { tokenOf } from './session-cookie.ts';

/** Who asks at a door, from a request. */
export function askingOf(event: RequestEvent): Asking {
	const { cookies, request } = event;
	return {
		address: addressOf(event),
		browser: browserName(request.headers.get('user-agent')),
		token: tokenOf(cookies),
		nowMs: Date.now()
	};
}
