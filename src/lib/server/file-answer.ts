/** A file to be kept, under a name. */
export function fileAnswer(
	text: string,
	type: 'text/csv' | 'text/calendar',
	name: string
): Response {
	return new Response(text, {
		headers: {
			'content-type': `${type}; charset=utf-8`,
			'content-disposition': `attachment; filename="${name}"`,
			'cache-control': 'no-store'
		}
	});
}
