<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { LearnedSubject } from '../../core/learning/index.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';

	interface Props {
		subject: LearnedSubject;
		formulaId: string;
		/** What was observed, in words, newest first. */
		observations: readonly {
			readonly id: string;
			readonly occurredAtMs: number;
			readonly ignored: boolean;
			readonly leftOut: boolean;
			readonly text: string;
		}[];
	}
	let { subject, formulaId, observations }: Props = $props();
	const room = useRoom();
	const { timeZone } = $derived(room.bakery);
	let open = $state(false);
	const sending = new Sending(room.retries);

	async function answered({ outcome }: { readonly outcome: string }) {
		if (outcome === 'done') await readAnew('jovet:day');
	}
	const occurredAtMs = () => Math.round(room.now.epochMs);
	const judge = (observationId: string, ignored: boolean) =>
		sending.send(
			{
				kind: 'ignore-observation',
				occurredAtMs: occurredAtMs(),
				subject,
				observationId,
				ignored
			},
			answered
		);
	const reset = () =>
		sending.send(
			{
				kind: 'reset-learning',
				occurredAtMs: occurredAtMs(),
				subject,
				formulaId
			},
			answered
		);
	const when = (ms: number) => `${dayText(ms, timeZone)} ${clockText(ms, timeZone)}`;
</script>

{#if observations.length > 0}
	<p class="mt-1">
		<button
			class="min-h-11 cursor-pointer underline decoration-dotted underline-offset-4"
			aria-expanded={open}
			data-readings={subject}
			onclick={() => (open = !open)}
			>{open ? 'Close the readings' : `Show the ${observations.length} readings`}</button
		>
	</p>
	{#if open}
		<ul class="mt-1" data-observations={subject}>
			{#each observations as observation (observation.id)}
				<li class="flex flex-wrap items-center justify-between gap-3 border-t border-line py-1">
					<span
						>{when(observation.occurredAtMs)}: {observation.text}{observation.ignored
							? ', ignored'
							: observation.leftOut
								? ', left out'
								: ''}</span
					>
					<button
						class="action-lesser"
						aria-label="{observation.ignored ? 'Count it' : 'Ignore it'}: the reading of {when(
							observation.occurredAtMs
						)}"
						onclick={() => judge(observation.id, !observation.ignored)}
						>{observation.ignored ? 'Count it' : 'Ignore it'}</button
					>
				</li>
			{/each}
		</ul>
		<p class="mt-2">
			<button class="action-lesser" onclick={reset}>Learn anew from the book</button>
			<span class="text-note text-ink-2"
				>The readings stay in the log; they only stop counting.</span
			>
		</p>
	{/if}
{/if}
{#if sending.message}<p role="alert" class="font-bold">{sending.message}</p>{/if}
