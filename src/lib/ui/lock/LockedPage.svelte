<script lang="ts">
  import { onMount } from 'svelte';
  import { isLocked, openSession } from '../../client/lock';
  import SecretForm from '../parts/SecretForm.svelte';
  import { LOCK_TEXTS } from '../words/lock-texts';

  /** What a locked session shows. `panel`: in Key Fold's own window on a display, which comes back by itself. */
  let { session, panel }: { session: string; panel: boolean } = $props();
  const LOOK_AGAIN_MS = 2_000;
  const SECOND_MS = 1_000;

  let capsLock = $state(false);
  /** Seconds until the next attempt; null where nobody has to wait. */
  let wait = $state<number | null>(null);
  let countdown: ReturnType<typeof setInterval> | undefined;

  onMount(() => {
    const timer = panel ? setInterval(() => void lookAgain(), LOOK_AGAIN_MS) : undefined;
    return () => {
      clearInterval(timer);
      clearInterval(countdown);
    };
  });

  /** Another page may have opened it; one that nobody is at stays covered. */
  async function lookAgain() {
    if ((await isLocked(session)) === false) location.reload();
  }

  async function enter(passphrase: string): Promise<string | null> {
    const answer = await openSession(session, passphrase);
    if (answer.done) {
      location.reload();
      return null;
    }
    countFrom(answer.wait);
    // How long to wait is said beside the line, and counted down.
    return answer.problem === 'slow-down' ? null : (answer.detail ?? LOCK_TEXTS.noServer);
  }

  function countFrom(seconds: number) {
    clearInterval(countdown);
    wait = seconds > 0 ? seconds : null;
    if (wait === null) return;
    countdown = setInterval(() => {
      wait = Math.max(0, (wait ?? 0) - 1);
      if (wait === 0) clearInterval(countdown);
    }, SECOND_MS);
  }

  const note = $derived(
    [wait === null ? '' : LOCK_TEXTS.waitFor(wait), capsLock ? LOCK_TEXTS.capsLock : '']
      .filter(Boolean)
      .join(' '),
  );
</script>

<svelte:window onfocus={() => void lookAgain()} />
<SecretForm
  title={LOCK_TEXTS.title}
  label={LOCK_TEXTS.label}
  hint={LOCK_TEXTS.hint}
  done={LOCK_TEXTS.open}
  {enter}
  {note}
  onkeydown={(event: KeyboardEvent) => (capsLock = event.getModifierState('CapsLock'))}
/>
