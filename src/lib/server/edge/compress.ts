/** What gains by it; streams of events must go out as they come. */
const WORTH_IT = /^(text\/(html|plain|csv|calendar)|application\/json)\b/;
/** Less than a packet of the network gains nothing. */
const LEAST_BYTES = 1400;

/**
 * Compresses what a page or a command answers where the browser takes it: the rooms of a large day are megabytes of
 * rows that are much alike. Nothing secret stands in an answer beside what a stranger typed, so its length tells nothing.
 */
export function compressed(request: Request, response: Response): Response {
	const { headers, body, status, statusText } = response;
	const length = Number(headers.get('content-length') ?? Infinity);
	if (
		!body ||
		request.method === 'HEAD' ||
		length < LEAST_BYTES ||
		headers.has('content-encoding') ||
		!WORTH_IT.test(headers.get('content-type') ?? '') ||
		!takesGzip(request.headers.get('accept-encoding') ?? '')
	)
		return response;
	const sent = new Headers(headers);
	sent.delete('content-length');
	sent.set('content-encoding', 'gzip');
	sent.append('vary', 'accept-encoding');
	const etag = sent.get('etag');
	if (etag && !etag.startsWith('W/')) sent.set('etag', `W/${etag}`);
	return new Response(body.pipeThrough(new CompressionStream('gzip')), {
		status,
		statusText,
		headers: sent
	});
}

/** Whether gzip is named and not refused by a weight of nothing. */
function takesGzip(accepted: string): boolean {
	return accepted.split(',').some((part) => {
		const [name = '', ...parameters] = part.trim().toLowerCase().split(';');
		const isRefused = parameters.some((parameter) => /^\s*q=0(\.0*)?\s*$/.test(parameter));
		return name.trim() === 'gzip' && !isRefused;
	});
}
