import http from 'node:http';

/** Longer than this no answer is waited for. */
const PATIENCE_MS = 5000;

/** Asks on loopback, from an address of one's own where one is given, by a connection of its own. */
export function askFrom(
	url: string,
	{
		method = 'GET',
		headers = {},
		body = '',
		localAddress
	}: {
		readonly method?: string;
		readonly headers?: Readonly<Record<string, string>>;
		readonly body?: string;
		readonly localAddress?: string;
	} = {}
): Promise<{ status: number; headers: http.IncomingHttpHeaders; text: string }> {
	return new Promise((resolve, reject) => {
		const request = http.request(
			url,
			{
				method,
				headers,
				agent: false,
				signal: AbortSignal.timeout(PATIENCE_MS),
				...(localAddress === undefined ? {} : { localAddress })
			},
			(response) => {
				let text = '';
				response.on('data', (chunk: Buffer) => (text += chunk.toString()));
				response.on('error', reject);
				response.on('end', () =>
					resolve({ status: response.statusCode ?? 0, headers: response.headers, text })
				);
			}
		);
		request.on('error', reject);
		request.end(body);
	});
}
