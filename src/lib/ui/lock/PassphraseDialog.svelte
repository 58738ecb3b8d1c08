<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { changePassphrase } from '../../client/lock';
  import { deskHere } from '../desk/desk.svelte';
  import { LOCK_TEXTS } from '../words/lock-texts';
  import PassphraseForm from './PassphraseForm.svelte';

  /** Changes what opens the lock. */
  const desk = deskHere();

  async function change(next: string, before: string): Promise<string | null> {
    const answer = await changePassphrase(desk.link.id, before, next);
    if (answer.done) {
      desk.dialog = null;
      desk.say(LOCK_TEXTS.change.changed);
      return null;
    }
    if (answer.problem === 'passphrase-needed') return LOCK_TEXTS.change.none;
    return answer.detail ?? LOCK_TEXTS.noServer;
  }
</script>

<Dialog.Root
  bind:open={() => desk.dialog === 'passphrase', (open) => (desk.dialog = open ? 'passphrase' : null)}
>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      onOpenAutoFocus={(event) => event.preventDefault()}
      class="fixed top-1/4 left-1/2 z-50 flex w-[480px] max-w-full -translate-x-1/2 flex-col gap-3 border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{LOCK_TEXTS.change.title}</Dialog.Title>
      <Dialog.Description>{LOCK_TEXTS.change.hint}</Dialog.Description>
      <PassphraseForm before done={LOCK_TEXTS.change.done} enter={change} />
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
