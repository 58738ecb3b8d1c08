<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { onMount } from 'svelte';
  import { leaveLocked, lockSession } from '../../client/lock';
  import { deskHere } from '../desk/desk.svelte';
  import { LOCK_TEXTS } from '../words/lock-texts';
  import PassphraseForm from './PassphraseForm.svelte';

  /** Locks the desk, which is covered meanwhile; the first time it asks for a passphrase. */
  const desk = deskHere();
  const session = desk.link.id;

  let stage = $state<'locking' | 'asking' | 'failed'>('locking');
  let why = $state('');

  onMount(() => void lock());

  async function lock(passphrase?: string): Promise<string | null> {
    stage = passphrase === undefined ? 'locking' : stage;
    const answer = await lockSession(session, passphrase);
    if (answer.done) {
      stage = 'locking';
      void leaveLocked(session);
      return null;
    }
    const wrong = answer.detail ?? LOCK_TEXTS.noServer;
    if (answer.problem === 'passphrase-needed') stage = 'asking';
    else if (passphrase === undefined) {
      stage = 'failed';
      why = wrong;
    }
    return wrong;
  }
</script>

<Dialog.Root bind:open={() => desk.dialog === 'lock', (open) => (desk.dialog = open ? 'lock' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class={['fixed inset-0 z-50', stage === 'asking' ? 'bg-(--veil)' : 'creased bg-paper']} />
    <Dialog.Content
      onOpenAutoFocus={(event) => event.preventDefault()}
      class="fixed top-1/4 left-1/2 z-50 flex w-[480px] max-w-full -translate-x-1/2 flex-col gap-3 border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      {#if stage === 'asking'}
        <Dialog.Title class="text-lg font-[650]">{LOCK_TEXTS.first.title}</Dialog.Title>
        <Dialog.Description>{LOCK_TEXTS.first.hint}</Dialog.Description>
        <PassphraseForm before={false} done={LOCK_TEXTS.first.done} enter={(next) => lock(next)} />
      {:else if stage === 'failed'}
        <Dialog.Title class="text-lg font-[650]">{LOCK_TEXTS.notLocked}</Dialog.Title>
        <Dialog.Description role="alert">{LOCK_TEXTS.notLockedBecause(why)}</Dialog.Description>
        <div class="flex gap-3">
          <!-- svelte-ignore a11y_autofocus -->
          <button
            autofocus
            type="button"
            class="key-shaped border-line bg-paper px-2 py-0.5"
            onclick={() => void lock()}>{LOCK_TEXTS.again}</button
          >
          <Dialog.Close class="key-shaped border-line bg-paper px-2 py-0.5">{LOCK_TEXTS.back}</Dialog.Close>
        </div>
      {:else}
        <Dialog.Title class="text-lg font-[650]">{LOCK_TEXTS.locking}</Dialog.Title>
      {/if}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
