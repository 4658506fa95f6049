<script lang="ts">
	interface Props {
		label: string;
		checked: boolean;
		onSet: (checked: boolean) => void;
	}
	let { label, checked, onSet }: Props = $props();
	const id = $props.id();
</script>

<label class="flex min-h-11 cursor-pointer items-center gap-3" for={id}>
	<input {id} type="checkbox" {checked} onchange={(event) => onSet(event.currentTarget.checked)} />
	{label}
</label>
