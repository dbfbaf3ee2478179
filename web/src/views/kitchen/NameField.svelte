<script lang="ts">
  type Props = { value: string; label: string; onvalue: (name: string) => void };
  let { value, label, onvalue }: Props = $props();
</script>

<input
  class="field font-semibold"
  aria-label={label}
  maxlength="60"
  {value}
  oninput={(event) => {
    const name = event.currentTarget.value.trim();
    if (name) onvalue(name);
  }}
/>
