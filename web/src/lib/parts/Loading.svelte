<script lang="ts">
  /** Says what is being fetched, once that takes longer than a moment; until then nothing flickers. */
  type Props = { what: string };
  let { what }: Props = $props();
</script>

<p role="status" class="late px-1 py-6 text-lg text-quiet">Loading {what} …</p>

<style>
  .late {
    animation: appear 0s linear 300ms both;
  }
  @keyframes appear {
    from {
      visibility: hidden;
    }
    to {
      visibility: visible;
    }
  }
</style>
