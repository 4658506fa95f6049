/** An expected outcome: either a value or a described failure. Bugs throw; expected failures do not. */
export type Result<T, E> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E };

export function ok<T>(value: T): { readonly ok: true; readonly value: T } {
	return { ok: true, value };
}

export function fail<const E>(error: E): { readonly ok: false; readonly error: E } {
	return { ok: false, error };
}

/** Ends a switch over a closed union; a new member of the union becomes a compile error here. */
export function assertNever(value: never): never {
	throw new Error(`Unhandled case: ${JSON.stringify(value)}`);
}
