/** A file to be kept, under a name. */
export function fileAnswer(
	text: string,
	type: 'text/csv' | 'text/calendar' | 'application/json' | 'application/ld+json',
	name: string
): Response {
	return new Response(text, {
		headers: {
			'content-type': `${type}; charset=utf-8`,
			// A name with letters beyond ASCII goes in the form that headers have for it.
			'content-disposition': `attachment; filename="${name.replace(/[^\x20-\x7e]/g, '_')}"; filename*=UTF-8''${encodeURIComponent(name)}`,
			'cache-control': 'no-store'
		}
	});
}
