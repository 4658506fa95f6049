import { z } from 'zod';

/** What was typed and not saved, kept in the browser until it is. */
const schema = z.record(z.string(), z.string());

function place(date: string): string {
	return `jovet.orders.unsaved.${date}`;
}

export function readUnsaved(date: string): readonly (readonly [key: string, text: string])[] {
	return Object.entries(read(date));
}

export function keepUnsaved(date: string, key: string, text: string): void {
	write(date, { ...read(date), [key]: text });
}

export function forgetUnsaved(date: string, key: string): void {
	const all = read(date);
	if (!(key in all)) return;
	const { [key]: _, ...rest } = all;
	write(date, rest);
}

function read(date: string): Record<string, string> {
	if (typeof localStorage === 'undefined') return {};
	try {
		const parsed = schema.safeParse(JSON.parse(localStorage.getItem(place(date)) ?? '{}'));
		return parsed.success ? parsed.data : {};
	} catch {
		// Something else wrote there, or storage is switched off.
		return {};
	}
}

function write(date: string, all: Record<string, string>): void {
	if (typeof localStorage === 'undefined') return;
	try {
		if (Object.keys(all).length === 0) localStorage.removeItem(place(date));
		else localStorage.setItem(place(date), JSON.stringify(all));
	} catch {
		// A full or switched-off storage must not stop the typing.
	}
}
