/** What the service worker makes of the data that the server gave for a page. */

interface Answer {
	readonly type?: unknown;
	readonly location?: unknown;
	readonly nodes?: unknown;
}

/** What an answer says of the parts of its page; nothing where it says no list of them. */
function nodesOf(answer: Answer | null): readonly unknown[] {
	return Array.isArray(answer?.nodes) ? (answer.nodes as readonly unknown[]) : [];
}

function isOf(node: unknown, type: string): boolean {
	return typeof node === 'object' && node !== null && 'type' in node && node.type === type;
}

/** What becomes of an answer: it is kept (in its whole form), it ends all keeping, or it changes nothing. */
export type Keeping =
	{ readonly do: 'keep'; readonly text: string } | { readonly do: 'forget-all' | 'nothing' };

/**
 * What to keep of the data that the server gave. An answer may leave out what the page has already: that is taken from what was
 * kept before. Nobody signed in any more: nothing of this bakery stays here.
 */
export function keepingOf(fresh: string, kept: string | null): Keeping {
	const answer = answerIn(fresh);
	if (!answer) return { do: 'nothing' };
	if (answer.type === 'redirect') {
		const to = typeof answer.location === 'string' ? answer.location : '';
		if (to.startsWith('/sign-in')) return { do: 'forget-all' };
		return to.startsWith('/bake/') ? { do: 'keep', text: fresh } : { do: 'nothing' };
	}
	if (answer.type !== 'data' || !Array.isArray(answer.nodes)) return { do: 'nothing' };
	const before = nodesOf(kept === null ? null : answerIn(kept));
	const nodes = nodesOf(answer).map((node, place) => (isOf(node, 'skip') ? before[place] : node));
	// Part of a page is no page, and a page that could not be read is none to keep.
	if (!nodes.every((node) => node === null || isOf(node, 'data'))) return { do: 'nothing' };
	return { do: 'keep', text: `${JSON.stringify({ ...answer, nodes })}\n` };
}

/** An answer of one line: one whose rest comes later is not kept. */
function answerIn(text: string): Answer | null {
	const [line = '', ...rest] = text.split('\n');
	if (rest.some((more) => more.trim() !== '')) return null;
	try {
		const answer = JSON.parse(line) as Answer | null;
		return answer && typeof answer === 'object' ? answer : null;
	} catch {
		return null;
	}
}
