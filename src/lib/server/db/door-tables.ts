import type { ColumnType, Generated } from 'kysely';
import type { DoorAct, SessionKind } from '../../contracts/door-views.ts';

/** Who may come in, and what happened at the doors. */
export interface DoorTables {
	credential: {
		person_id: string;
		password_hash: string | null;
		code_hash: string | null;
		changed_at: ColumnType<Date, Date, Date>;
	};
	door_session: {
		id: string;
		token_sha256: string;
		kind: SessionKind;
		/** Whose it is at a desk; whose hands it is in at a tablet, null for nobody's. */
		person_id: string | null;
		name: string;
		opens_at: string;
		begun_at: ColumnType<Date, never, never>;
		seen_at: Date;
		ends_at: Date;
		ended_at: Date | null;
	};
	door_hand: { session_id: string; person_id: string; until: Date };
	door_key: {
		key_sha256: string;
		kind: 'password' | 'tablet' | 'wall';
		person_id: string | null;
		name: string;
		opens_at: string;
		made_by: string | null;
		ends_at: Date;
		used_at: Date | null;
	};
	door_entry: {
		id: Generated<string>;
		occurred_at: ColumnType<Date, never, never>;
		act: DoorAct;
		person_id: string | null;
		by_id: string | null;
		about: string;
	};
	door_secret: { id: Generated<boolean>; calendar: string };
}
