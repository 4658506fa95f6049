/** The text of a request, or that it is longer than it may be. */
export type Body =
	{ readonly kind: 'text'; readonly text: string } | { readonly kind: 'too-large' };

/** Reads a request up to so many bytes; what is longer is not read to its end. */
export async function readBody(request: Request, mostBytes: number): Promise<Body> {
	if (Number(request.headers.get('content-length') ?? 0) > mostBytes) return { kind: 'too-large' };
	const chunks: Uint8Array[] = [];
	let bytes = 0;
	const reader = request.body?.getReader();
	try {
		for (;;) {
			const read = await reader?.read();
			if (!read || read.done) break;
			bytes += read.value.byteLength;
			if (bytes > mostBytes) {
				await reader?.cancel();
				return { kind: 'too-large' };
			}
			chunks.push(read.value);
		}
	} catch (error) {
		// What stands before the application has a limit of its own.
		if ((error as { status?: unknown }).status === 413) return { kind: 'too-large' };
		throw error;
	}
	return { kind: 'text', text: Buffer.concat(chunks).toString('utf8') };
}
