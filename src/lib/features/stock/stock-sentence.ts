import type { StockView } from '../../contracts/stock-views.ts';
import { shortDateText } from '../../wording/time-text.ts';

/** How the stock stands, in one sentence. */
export function stockSentence({ rows, dates }: Pick<StockView, 'rows' | 'dates'>): string {
	const short = rows
		.flatMap(({ name, ahead }) => (ahead?.shortOn ? [{ name, on: ahead.shortOn }] : []))
		.sort((a, b) => (a.on < b.on ? -1 : 1));
	const last = dates.at(-1);
	const [first, ...others] = short;
	if (first) {
		const more =
			others.length === 0
				? ''
				: others.length === 1
					? ' One more runs out within the week.'
					: ` ${others.length} more run out within the week.`;
		return `${first.name} runs out on ${shortDateText(first.on)}.${more}`;
	}
	const uncounted = rows.filter(
		({ ahead, needs }) => ahead === null && needs.some((grams) => grams > 0)
	).length;
	if (uncounted === rows.filter(({ needs }) => needs.some((grams) => grams > 0)).length)
		return uncounted === 0
			? 'Nothing is wanted of any ingredient in the week from here.'
			: 'Nothing was counted yet: how long anything lasts is not known.';
	return uncounted === 0
		? `Everything lasts until ${last ? shortDateText(last) : 'the end'}.`
		: `All that was counted lasts until ${last ? shortDateText(last) : 'the end'}; ${uncounted === 1 ? 'one ingredient was' : `${uncounted} ingredients were`} never counted.`;
}
