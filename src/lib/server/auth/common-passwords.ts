/** Read when the first password is chosen: it is a long list, and hardly ever asked. */
let listed: Promise<ReadonlySet<string>> | null = null;

async function readList(): Promise<ReadonlySet<string>> {
	const { dictionary } = await import('@zxcvbn-ts/language-common');
	return new Set(dictionary['passwords-common'].map(String));
}

/**
 * Whether a password is among those that are tried first: the list of some fifty thousand that zxcvbn keeps, also with the digits and signs
 * behind it with which one of them is made long enough, or as one of them several times over.
 */
export async function isCommonPassword(plain: string): Promise<boolean> {
	const list = await (listed ??= readList());
	const word = plain.replace(/[^\p{L}]+$/u, '');
	const once = /^(.+?)\1+$/.exec(plain)?.[1] ?? plain;
	return [plain, word, once].some((one) => list.has(one));
}
