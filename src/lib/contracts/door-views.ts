import type { Role } from '../core/bakery/index.ts';
import type { ActingRole } from './rights.ts';

/** What a session is of: a person at a desk, a tablet that goes from hand to hand, a wall that only shows. */
export type SessionKind = 'desk' | 'tablet' | 'wall';

/** What happens at the doors and is written down. */
export type DoorAct =
	| 'signed-in'
	| 'signed-out'
	| 'password-set'
	| 'code-set'
	| 'key-made'
	| 'session-ended'
	| 'tablet-paired'
	| 'hands-changed'
	/** A password or a code that did not fit. */
	| 'tried'
	| 'data-handed-out'
	| 'person-removed';

export interface SessionView {
	readonly id: string;
	readonly kind: SessionKind;
	/** The browser it is in, or what the tablet is called. */
	readonly name: string;
	readonly personName: string;
	readonly begunAtMs: number;
	readonly seenAtMs: number;
	readonly isThis: boolean;
}

export interface PersonAtTheDoorView {
	readonly id: string;
	readonly name: string;
	readonly role: Role;
	readonly hasPassword: boolean;
	readonly hasCode: boolean;
}

export interface DoorEntryView {
	readonly id: string;
	readonly atMs: number;
	readonly act: DoorAct;
	readonly person: string;
	readonly by: string;
	readonly about: string;
}

/** Who may come in, by the head baker's page. */
export interface DoorsView {
	readonly people: readonly PersonAtTheDoorView[];
	/** Who worked here once; `isOut`: their own name was taken out. */
	readonly left: readonly { readonly id: string; readonly name: string; readonly isOut: boolean }[];
	readonly sessions: readonly SessionView[];
	readonly entries: readonly DoorEntryView[];
	/** When it was read, by the real clock: sessions know no other. */
	readonly nowMs: number;
}

/** What somebody sees of their own ways in. */
export interface OwnDoorView {
	readonly hasPassword: boolean;
	readonly hasCode: boolean;
	readonly sessions: readonly SessionView[];
	readonly nowMs: number;
}

/** Whose hands a tablet can be put into. */
export interface HandsView {
	readonly tablet: string;
	/** Who has a code, by name; `isKnown`: typed here within the shift, one tap is enough. */
	readonly people: readonly {
		readonly id: string;
		readonly name: string;
		/** What they may do at a tablet. */
		readonly role: ActingRole;
		readonly isKnown: boolean;
	}[];
	/** Who has none yet, and cannot be here. */
	readonly without: readonly string[];
}

/** Why a door stays shut. */
export type DoorProblem =
	/** Name and password, or code, do not belong together; which of them is wrong is not told. */
	| { readonly kind: 'wrong' }
	| { readonly kind: 'wait'; readonly seconds: number }
	/** The key was used, is too old, or never was one. */
	| { readonly kind: 'key-opens-nothing' }
	| { readonly kind: 'too-short'; readonly least: number }
	| { readonly kind: 'too-long'; readonly most: number }
	/** Anybody would try it first. */
	| { readonly kind: 'easily-guessed' }
	| { readonly kind: 'only-digits' }
	| { readonly kind: 'not-permitted' };

/** The shortest password and code, and the longest of each (our defaults, after OWASP ASVS 5, V6.2). */
export const PASSWORD_LENGTH = { least: 10, most: 200 } as const;
export const CODE_LENGTH = { least: 4, most: 8 } as const;
