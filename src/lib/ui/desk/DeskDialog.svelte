<script lang="ts">
  import { onMount, type Component } from 'svelte';
  import type { DialogName } from '../../core/actions/action';
  import { TEXTS } from '../words/texts';
  import { deskHere } from './desk.svelte';
  import { later } from './later';

  /** The dialog that is open. Its code comes after the page, but before it is asked for. */
  const DIALOGS: Readonly<Record<DialogName, () => Promise<{ default: Component }>>> = {
    settings: () => import('../settings/SettingsDialog.svelte'),
    keys: () => import('../keys/KeysDialog.svelte'),
    workspaces: () => import('../workspaces/WorkspacesDialog.svelte'),
    desks: () => import('../desks/DesksDialog.svelte'),
    shortcuts: () => import('../shortcuts/ShortcutsDialog.svelte'),
    'reach-check': () => import('../shortcuts/ReachCheckDialog.svelte'),
    'key-sheet': () => import('../sheet/KeySheetDialog.svelte'),
    guests: () => import('../guests/GuestsDialog.svelte'),
    'roll-call': () => import('../roll-call/RollCallDialog.svelte'),
    lock: () => import('../lock/LockDialog.svelte'),
    passphrase: () => import('../lock/PassphraseDialog.svelte'),
    capture: () => import('../capture/CaptureDialog.svelte'),
    picture: () => import('../capture/PictureDialog.svelte'),
    tally: () => import('../tally/TallyDialog.svelte'),
    'hand-over': () => import('../setup/HandOverDialog.svelte'),
    'place-menu': () => import('../index/PlaceMenu.svelte'),
    menu: () => import('../menu/WindowMenu.svelte'),
  };

  const desk = deskHere();
  let loaded = $state.raw<Partial<Record<DialogName, Component>>>({});
  const Shown = $derived(desk.dialog === null ? undefined : loaded[desk.dialog]);

  async function load(name: DialogName): Promise<boolean> {
    const dialog = await DIALOGS[name]().catch(() => null);
    if (dialog) loaded = { ...loaded, [name]: dialog.default };
    return dialog !== null;
  }

  onMount(() => later(() => (Object.keys(DIALOGS) as DialogName[]).forEach((name) => void load(name))));

  $effect(() => {
    if (desk.dialog === null || loaded[desk.dialog]) return;
    // What is pressed until it is there must not reach the text that has the keys.
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    void loadNow(desk.dialog);
  });

  async function loadNow(name: DialogName) {
    if ((await load(name)) || desk.dialog !== name) return;
    desk.dialog = null;
    desk.say(TEXTS.notLoaded, true);
  }
</script>

{#if Shown}{#key desk.dialog}<Shown />{/key}{/if}
