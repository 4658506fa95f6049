import type { z } from 'zod';
import { acceptPlan } from './accept-plan.ts';
import { addDelivery } from './add-delivery.ts';
import { beginStarter } from './begin-starter.ts';
import { bringIn } from './bring-in.ts';
import { changeOrder } from './change-order.ts';
import { changeOrders } from './change-orders.ts';
import { checkDough } from './check-dough.ts';
import { copyOrders } from './copy-orders.ts';
import { countStock } from './count-stock.ts';
import { createFormula } from './create-formula.ts';
import type { Envelope } from './define.ts';
import { endDough } from './end-dough.ts';
import { feedCulture } from './feed-culture.ts';
import { forgetPerson } from './forget-person.ts';
import { foundBakery } from './found-bakery.ts';
import { ignoreObservation } from './ignore-observation.ts';
import { ignoreTime } from './ignore-time.ts';
import { judgeReadiness } from './judge-readiness.ts';
import { keepCulture } from './keep-culture.ts';
import { keepStock } from './keep-stock.ts';
import { measureDough } from './measure-dough.ts';
import { moveDough } from './move-dough.ts';
import { registerDevice } from './register-device.ts';
import { resetLearning } from './reset-learning.ts';
import { resetTimes } from './reset-times.ts';
import { retire } from './retire.ts';
import { revokeDevice } from './revoke-device.ts';
import { saveBakery } from './save-bakery.ts';
import { saveEntry } from './save-entry.ts';
import { saveFormula } from './save-formula.ts';
import { saveIngredient } from './save-ingredient.ts';
import { savePreparation } from './save-preparation.ts';
import { saveProduct } from './save-product.ts';
import { setAsideDraft } from './set-aside-draft.ts';
import { setBatches } from './set-batches.ts';
import { setBase } from './set-base.ts';
import { setLiquids } from './set-liquids.ts';
import { setLead } from './set-lead.ts';
import { setMixes } from './set-mixes.ts';
import { setStanding } from './set-standing.ts';
import { setSupply } from './set-supply.ts';
import { setUnits } from './set-units.ts';
import { setWaterSchool } from './set-water-school.ts';
import { strikeCulture } from './strike-culture.ts';
import { strikeEntry } from './strike-entry.ts';
import { strikeResultOf } from './strike-result.ts';
import { strikeWeighing } from './strike-weighing.ts';
import { strikeWork } from './strike-work.ts';
import { takeBackStanding } from './take-back-standing.ts';
import { takeClosedDays } from './take-closed-days.ts';
import { takeReading } from './take-reading.ts';
import { takeStock } from './take-stock.ts';
import { tapWork } from './tap-work.ts';
import { tellResult } from './tell-result.ts';
import { tendCulture } from './tend-culture.ts';
import { weighLine } from './weigh-line.ts';

/** Every command that can be given. Types, the door and the borders follow from this list. */
export const COMMANDS = [
	acceptPlan,
	addDelivery,
	beginStarter,
	bringIn,
	changeOrder,
	changeOrders,
	checkDough,
	copyOrders,
	countStock,
	createFormula,
	endDough,
	feedCulture,
	forgetPerson,
	foundBakery,
	ignoreObservation,
	ignoreTime,
	judgeReadiness,
	keepCulture,
	keepStock,
	measureDough,
	moveDough,
	registerDevice,
	resetLearning,
	resetTimes,
	retire,
	revokeDevice,
	saveBakery,
	saveEntry,
	saveFormula,
	saveIngredient,
	savePreparation,
	saveProduct,
	setAsideDraft,
	setBase,
	setBatches,
	setLead,
	setMixes,
	setLiquids,
	setStanding,
	setSupply,
	setUnits,
	setWaterSchool,
	strikeCulture,
	strikeEntry,
	strikeResultOf,
	strikeWeighing,
	strikeWork,
	takeBackStanding,
	takeClosedDays,
	takeReading,
	takeStock,
	tapWork,
	tellResult,
	tendCulture,
	weighLine
] as const;

type Module = (typeof COMMANDS)[number];
type ModuleOf<K extends CommandKind> = Extract<Module, { readonly kind: K }>;

export type CommandKind = Module['kind'];

/** What a command carries, as a client writes it. */
export type CommandContent<K extends CommandKind> = z.input<ModuleOf<K>['content']>;

/** What a command answers when it is done. */
export type AnswerOf<K extends CommandKind> = Extract<
	Awaited<ReturnType<ModuleOf<K>['handle']>>,
	{ ok: true }
>['value'];

/** A command as a client sends it. */
export type Command<K extends CommandKind = CommandKind> = {
	[Each in K]: Omit<Envelope, 'nameMeant'> & { readonly nameMeant?: boolean } & {
		readonly kind: Each;
	} & CommandContent<Each>;
}[K];
