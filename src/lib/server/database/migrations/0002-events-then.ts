/**
 * Events as they were written down before families were one event, and as which events they are kept now: one for
 * one, so that their numbers stay.
 */
import { eventFrom } from '../../../core/protocol/upcast';
import type { SessionEvent } from '../../../core/session/session';
import type { Geometry } from '../../../core/model/geometry';
import type { AppWindow } from '../../../core/slices/windows/state';

/** The kinds that changed their shape. */
type EventThen =
  | { readonly type: 'application-hidden' | 'application-shown'; readonly application: string }
  | { readonly type: 'application-ended'; readonly application: string }
  | { readonly type: 'window-opened'; readonly window: AppWindow }
  | { readonly type: 'window-minimised' | 'window-restored' | 'window-closed'; readonly window: string }
  | { readonly type: 'window-placed'; readonly window: string; readonly geometry: Geometry }
  | { readonly type: 'closing-asked'; readonly window: string; readonly goal: 'close' | 'quit' }
  | { readonly type: 'draft-saved' | 'draft-dropped'; readonly document: string }
  | { readonly type: 'draft-taken-up'; readonly window: string };

/** An event as it was written down then, as it is now. */
export function eventNow(event: object): SessionEvent {
  return eventFrom(oneForFamilies(event as EventThen | SessionEvent));
}

/** As it was written down from then on, before events had versions. */
function oneForFamilies(event: EventThen | SessionEvent): object {
  switch (event.type) {
    case 'application-hidden':
      return { type: 'applications-hidden', applications: [event.application] };
    case 'application-shown':
      return { type: 'applications-shown', applications: [event.application] };
    case 'application-ended':
      return { type: event.type, application: event.application, discarded: [] };
    case 'window-opened':
      return { type: 'windows-opened', windows: [event.window] };
    case 'window-minimised':
      return { type: 'windows-minimised', windows: [event.window] };
    case 'window-restored':
      return { type: 'windows-restored', windows: [event.window] };
    case 'window-closed':
      return { type: 'windows-closed', windows: [event.window], discarded: [] };
    case 'window-placed':
      return { type: 'windows-placed', places: [{ window: event.window, geometry: event.geometry }] };
    case 'closing-asked':
      return 'window' in event ? { type: event.type, windows: [event.window], goal: event.goal } : event;
    case 'draft-saved':
      return { type: 'drafts-saved', documents: [event.document] };
    case 'draft-dropped':
      return { type: 'draft-undone', document: event.document };
    case 'draft-taken-up':
      return { type: 'offers-changed', windows: [event.window], offering: false };
    default:
      return event;
  }
}
