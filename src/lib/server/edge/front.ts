import { env } from '$env/dynamic/private';
import { isSameSecret } from '../auth/secrets.ts';

/** What of a request is asked here. */
interface Came {
	readonly request: Request;
	readonly url: URL;
	readonly getClientAddress: () => string;
}

/** Whether a request came over HTTPS, through the front door that was started with this application. */
export function cameByFront({ request }: Pick<Came, 'request'>): boolean {
	const secret = env.JOVET_FRONT ?? '';
	return secret !== '' && isSameSecret(request.headers.get('x-jovet-front') ?? '', secret);
}

/** The address that a request came from, also where the front door stands between. */
export function addressOf(came: Came): string {
	const told = cameByFront(came) ? came.request.headers.get('x-jovet-from') : null;
	return told || came.getClientAddress();
}

/** The address that whoever asks has before it: what else is handed out is reached there as well. */
export function originOf(came: Came): string {
	return cameByFront(came) ? `https://${came.request.headers.get('host') ?? ''}` : came.url.origin;
}
