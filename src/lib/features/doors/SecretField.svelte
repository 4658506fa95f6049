<script lang="ts">
	interface Props {
		label: string;
		name: string;
		/** What a browser may fill in or keep. */
		kind: 'current-password' | 'new-password' | 'code' | 'name';
		value?: string;
		note?: string;
	}
	let { label, name, kind, value = '', note = '' }: Props = $props();
	const id = $props.id();
	let shown = $state(false);
	const isSecret = $derived(kind !== 'name');
</script>

<div class="secret">
	<label for={id}>{label}</label>
	<div class="flex gap-2">
		<input
			{id}
			{name}
			{value}
			class="field grow"
			type={isSecret && !shown ? 'password' : 'text'}
			autocomplete={kind === 'name' ? 'username' : kind === 'code' ? 'off' : kind}
			inputmode={kind === 'code' ? 'numeric' : undefined}
			autocapitalize="off"
			spellcheck="false"
			maxlength={400}
			required
			aria-describedby={note ? `${id}-note` : undefined}
		/>
		{#if isSecret}
			<button type="button" class="action-small" onclick={() => (shown = !shown)}
				>{shown ? 'Hide' : 'Show'}<span class="sr-only"> {label}</span></button
			>
		{/if}
	</div>
	{#if note}<p id="{id}-note" class="text-note text-ink-2">{note}</p>{/if}
</div>

<style>
	.secret {
		display: grid;
		gap: 2px;
	}
	.secret input {
		min-width: 0;
	}
</style>
