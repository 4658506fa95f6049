import type { EntryRevisionView } from '../../../contracts/bakery-views.ts';
import { ENTRY_FIELD_TEXT, isEntryField } from '../../../wording/entry-fields.ts';

/** What a revision changed against the one before it, in words; the first of an entry is told as entered. */
export function entryChanges(
	revision: EntryRevisionView,
	before: EntryRevisionView | undefined
): readonly string[] {
	if (!before) return ['entered'];
	const changes: string[] = [];
	if (revision.retired !== before.retired)
		changes.push(revision.retired ? 'retired' : 'brought back');
	if (revision.name !== before.name) changes.push(`called "${before.name}" before`);
	const [now, then] = [revision.content, before.content] as unknown as [
		Readonly<Record<string, unknown>>,
		Readonly<Record<string, unknown>>
	];
	for (const [field, value] of Object.entries(now)) {
		const old = then[field];
		if (JSON.stringify(value) === JSON.stringify(old)) continue;
		const name = isEntryField(field) ? ENTRY_FIELD_TEXT[field] : field;
		changes.push(
			isPlain(value) && isPlain(old)
				? `${name}: ${told(old, field)} to ${told(value, field)}`
				: `${name} changed`
		);
	}
	return changes.length === 0 ? ['saved as it was'] : changes;
}

function isPlain(value: unknown): value is number | string | boolean {
	return ['number', 'string', 'boolean'].includes(typeof value);
}

/** What the end of a field's name says its figures are in. */
const UNITS = [
	[/grams$/i, 'g'],
	[/minutes/i, 'min'],
	[/cm$/i, 'cm'],
	[/percent$/i, '%'],
	[/celsius$/i, '°C'],
	[/kilojoulesperkelvin$/i, 'kJ/°C'],
	[/millimetres$/i, 'mm'],
	[/millilitres$/i, 'ml']
] as const;

function told(value: number | string | boolean, field: string): string {
	if (typeof value === 'boolean') return value ? 'yes' : 'no';
	if (typeof value === 'string') return value === '' ? 'nothing' : value;
	const unit = UNITS.find(([end]) => end.test(field))?.[1];
	return unit === undefined ? String(value) : `${value} ${unit}`;
}
