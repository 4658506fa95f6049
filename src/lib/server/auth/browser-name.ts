const ENGINES: readonly (readonly [RegExp, string])[] = [
	[/\bFirefox\//, 'Firefox'],
	[/\bEdg\//, 'Edge'],
	[/\b(?:Headless)?Chrom(?:e|ium)\//, 'Chromium'],
	[/\bSafari\//, 'Safari']
];
const MACHINES: readonly (readonly [RegExp, string])[] = [
	[/\bAndroid\b/, 'Android'],
	[/\b(?:iPad|iPhone)\b/, 'iOS'],
	[/\bWindows\b/, 'Windows'],
	[/\bMac OS X\b/, 'macOS'],
	[/\bLinux\b/, 'Linux']
];

/** A browser as its sessions are listed: enough to tell one's own from another's, and no more of it is kept. */
export function browserName(userAgent: string | null): string {
	const found = (among: typeof ENGINES) => among.find(([sign]) => sign.test(userAgent ?? ''))?.[1];
	return `${found(ENGINES) ?? 'a browser'} on ${found(MACHINES) ?? 'a machine'}`;
}
