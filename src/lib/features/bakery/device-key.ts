/** A new key for a device: 32 bytes of chance, written so that they fit a header. */
export function newDeviceKey(): string {
	const bytes = crypto.getRandomValues(new Uint8Array(32));
	return btoa(String.fromCharCode(...bytes))
		.replaceAll('+', '-')
		.replaceAll('/', '_')
		.replaceAll('=', '');
}

/** What the bakery keeps of it; null where the browser cannot work it out (a page without HTTPS). */
export async function fingerprintOfKey(key: string): Promise<string | null> {
	if (!globalThis.crypto.subtle) return null;
	const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(key));
	return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
