<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { Fault } from '../../core/results/index.ts';
	import { causesOf, type Evidence } from '../../core/tracing/index.ts';
	import { capital } from '../../wording/capital.ts';
	import {
		CAUSE_TEXT,
		EVIDENCE_WANTED,
		evidenceText,
		faultSentence
	} from '../../wording/cause-text.ts';
	import { FAULT_TEXT } from '../../wording/result-text.ts';

	interface Props {
		fault: Fault;
		evidence: Evidence;
	}
	let { fault, evidence }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const causes = $derived(causesOf(fault, evidence));
	/** What is not worth a line: the log speaks against it. */
	const shown = $derived(
		causes.filter(
			({ speaksFor, speaksAgainst }) => speaksFor.length > 0 || speaksAgainst.length === 0
		)
	);
	const against = $derived(causes.filter((cause) => !shown.includes(cause)));
	const missing = $derived([...new Set(causes.flatMap((cause) => cause.missing))]);
	const first = $derived(causes[0]);
</script>

<div class="fault" data-fault={FAULT_TEXT[fault]}>
	<p data-fault-cause={first?.isShown ? first.cause : 'not shown'}>
		<b>{capital(faultSentence(FAULT_TEXT[fault], causes, evidence, units))}</b>
	</p>
	{#if first}<p>Next time: {CAUSE_TEXT[first.cause].next}</p>{/if}
	<details>
		<summary>All that it can come of</summary>
		<ol>
			{#each shown as { cause, speaksFor, speaksAgainst, onTheBread } (cause)}
				<li>
					<b>{CAUSE_TEXT[cause].name}</b>{#if speaksFor.length > 0}: {speaksFor
							.map((key) => evidenceText(key, evidence, units))
							.join(', ')}{/if}{#if speaksAgainst.length > 0}; against it: {speaksAgainst
							.map((key) => evidenceText(key, evidence, units))
							.join(', ')}{/if}{#if onTheBread}: only the bread itself shows it{/if}
				</li>
			{/each}
		</ol>
		{#if against.length > 0}
			<p>
				The log speaks against: {against
					.map(
						({ cause, speaksAgainst }) =>
							`${CAUSE_TEXT[cause].name} (${speaksAgainst.map((key) => evidenceText(key, evidence, units)).join(', ')})`
					)
					.join('; ')}.
			</p>
		{/if}
		{#if missing.length > 0}
			<p data-fault-missing>
				Nobody wrote down: {missing.map((key) => EVIDENCE_WANTED[key]).join('; ')}.
			</p>
		{/if}
	</details>
</div>

<style>
	.fault {
		padding: 6px 0 6px 12px;
		border-left: 3px solid var(--ink);
	}
	summary {
		min-height: 44px;
		padding: 10px 0;
		cursor: pointer;
	}
	ol {
		padding-left: 1.4em;
		list-style: decimal;
	}
</style>
