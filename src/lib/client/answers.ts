/** Whether the server answers, its database included. */
export async function answers(): Promise<boolean> {
	try {
		return (await fetch('/health', { cache: 'no-store' })).ok;
	} catch {
		return false;
	}
}
