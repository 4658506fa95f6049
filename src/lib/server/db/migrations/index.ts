import type { Migration, MigrationProvider } from 'kysely';
import * as firstSlice from './0001-first-slice.ts';
import * as doughTemperatures from './0003-dough-temperatures.ts';
import * as formulaBook from './0002-formula-book.ts';
import * as batches from './0005-batches-and-pinned-revisions.ts';
import * as whatCanBe from './0006-what-can-be.ts';
import * as places from './0007-places.ts';
import * as schools from './0008-schools.ts';
import * as liquidsAndWraps from './0009-liquids-and-wraps.ts';
import * as sparesAndScalds from './0010-spares-and-scalds.ts';
import * as bakeryEntries from './0011-bakery-entries.ts';
import * as altitude from './0012-altitude.ts';
import * as takenElsewhere from './0013-taken-elsewhere.ts';
import * as mixesWanted from './0018-mixes-wanted.ts';
import * as weighing from './0014-weighing.ts';
import * as benchScales from './0022-bench-scales.ts';
import * as batchesWanted from './0024-batches-wanted.ts';
import * as standingBefore from './0025-standing-before.ts';
import * as cultures from './0023-cultures.ts';
import * as workTaps from './0026-work-taps.ts';
import * as weighings from './0021-weighings.ts';
import * as results from './0027-results.ts';
import * as timesLearned from './0028-times-learned.ts';
import * as ovenAndTubSensors from './0029-oven-and-tub-sensors.ts';
import * as piecesJudged from './0030-pieces-judged.ts';
import * as restedAndDrawn from './0031-rested-and-drawn.ts';
import * as timesThatDoNotCount from './0032-times-that-do-not-count.ts';
import * as scoreAndItsDepth from './0033-score-and-its-depth.ts';
import * as picturesOfBread from './0034-pictures-of-bread.ts';
import * as staysInPlaces from './0035-stays-in-places.ts';
import * as namesMatched from './0036-names-matched.ts';
import * as sheetsBathsAndFats from './0037-sheets-baths-and-fats.ts';
import * as doors from './0038-doors.ts';
import * as whoDidWhat from './0039-who-did-what.ts';
import * as stock from './0020-stock.ts';
import * as standingOrders from './0019-standing-orders.ts';
import * as doughsTaken from './0017-doughs-taken.ts';
import * as hotScalds from './0016-hot-scalds.ts';
import * as pieceHeight from './0015-piece-height.ts';
import * as readingsAndReadiness from './0004-readings-and-readiness.ts';

/** Migrations in the order of their names; they only ever go forward. */
const MIGRATIONS: Record<string, Migration> = {
	'0001-first-slice': firstSlice,
	'0002-formula-book': formulaBook,
	'0003-dough-temperatures': doughTemperatures,
	'0004-readings-and-readiness': readingsAndReadiness,
	'0005-batches-and-pinned-revisions': batches,
	'0006-what-can-be': whatCanBe,
	'0007-places': places,
	'0008-schools': schools,
	'0009-liquids-and-wraps': liquidsAndWraps,
	'0010-spares-and-scalds': sparesAndScalds,
	'0011-bakery-entries': bakeryEntries,
	'0012-altitude': altitude,
	'0013-taken-elsewhere': takenElsewhere,
	'0014-weighing': weighing,
	'0015-piece-height': pieceHeight,
	'0016-hot-scalds': hotScalds,
	'0017-doughs-taken': doughsTaken,
	'0018-mixes-wanted': mixesWanted,
	'0019-standing-orders': standingOrders,
	'0020-stock': stock,
	'0021-weighings': weighings,
	'0022-bench-scales': benchScales,
	'0023-cultures': cultures,
	'0024-batches-wanted': batchesWanted,
	'0025-standing-before': standingBefore,
	'0026-work-taps': workTaps,
	'0027-results': results,
	'0028-times-learned': timesLearned,
	'0029-oven-and-tub-sensors': ovenAndTubSensors,
	'0030-pieces-judged': piecesJudged,
	'0031-rested-and-drawn': restedAndDrawn,
	'0032-times-that-do-not-count': timesThatDoNotCount,
	'0033-score-and-its-depth': scoreAndItsDepth,
	'0034-pictures-of-bread': picturesOfBread,
	'0035-stays-in-places': staysInPlaces,
	'0036-names-matched': namesMatched,
	'0037-sheets-baths-and-fats': sheetsBathsAndFats,
	'0038-doors': doors,
	'0039-who-did-what': whoDidWhat
};

export const migrations: MigrationProvider = {
	getMigrations: () => Promise.resolve(MIGRATIONS)
};
