<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import {
    endsHold,
    holdWanted,
    stanceOf,
    type Grabbed,
    type HoldWanted,
    type ToPanel,
  } from '../../core/display/holding';
  import { KeysInTime } from '../../client/keys-in-time';
  import { PanelChannel } from '../../client/panel-channel';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { keyName } from '../parts/key-names';
  import { deskHere } from '../desk/desk.svelte';
  import { DISPLAY_TEXTS } from '../words/display-texts';

  /** What makes of this page the window that comes up over all others while the hold key is down. */
  const desk = deskHere();
  const channel = untrack(() => new PanelChannel(desk.link.id, hear));

  const keys = new KeysInTime(
    { follows: (front) => desk.link.sessionNow.front === front || desk.link.isBusy },
    (key) => {
      desk.hearKey(key);
      if (endsHold(key)) ended = true;
    },
  );

  function hear(message: ToPanel) {
    switch (message.type) {
      case 'key':
        return keys.hear(message);
      case 'grabbed':
        return sayTaken(message);
      case 'giving':
        given = true;
        return sayHasKeys();
    }
  }

  /** Whether a hold is over, and what it meant may not be done yet. */
  let ended = $state(false);

  /** Whether the keyboard is about to be given to this window. */
  let given = false;
  function sayHasKeys() {
    if (!given || !document.hasFocus()) return;
    given = false;
    channel.mention({ type: 'has-keys' });
  }

  /** Where somebody has the hold key that comes with a display, Alt is it; else it is said which keys are missing. */
  function sayTaken({ holdKey, taken }: Grabbed) {
    if (taken.length === 0) return;
    const { settings } = desk.session;
    if (holdKey === 'Meta' && holdKeyOf(settings) === 'Meta' && taken.includes('KeyS')) {
      desk.wish({ type: 'change-settings', settings: { ...settings, holdKey: 'Alt' } });
      return desk.say(DISPLAY_TEXTS.metaTaken, true);
    }
    desk.say(DISPLAY_TEXTS.taken(holdKey, taken.map(keyName)), true);
  }

  onMount(() => channel.open());
  $effect(() => {
    void desk.session;
    untrack(() => keys.look());
  });
  // Said when it is different, not whenever something happens on the display.
  const wanted = $derived(JSON.stringify(holdWanted(desk.keys, desk.session)));
  /** Nothing is offered while the display is away, as far as this page has heard. */
  const away = $derived(desk.session.host.kind === 'live' && desk.session.host.awaySince !== undefined);
  // Not before this page hears what happens: a key would be about what was there before.
  $effect(() => {
    if (desk.link.hears && !away) channel.say(JSON.parse(wanted) as HoldWanted);
    else channel.withdraw('hold');
  });
  const stance = $derived(stanceOf(desk.state));
  $effect(() => {
    if (stance === 'keys') desk.takeKeyboard();
    channel.say({ type: 'panel', stance, wished: untrack(() => desk.link.isBusy) });
  });
  // While a picture is waited for, this window is out of sight: the display itself shows how long.
  $effect(() => {
    const seconds = desk.capture?.left;
    if (seconds !== undefined) channel.mention({ type: 'waiting', seconds });
  });
  // Behind what is wanted of the window: that goes first.
  $effect(() => {
    if (!ended || desk.link.unsettled > 0) return;
    ended = false;
    channel.mention({ type: 'hold-done' });
  });
</script>

<svelte:window onfocus={sayHasKeys} />
