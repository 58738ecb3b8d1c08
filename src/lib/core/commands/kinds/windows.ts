/** What windows and applications do by themselves in the simulated world. */
import { Refused } from '../../host/course';
import { sameGeometry } from '../../model/geometry';
import { applicationOf } from '../../slices/applications/selectors';
import { windowOf } from '../../slices/windows/selectors';
import { commandKind } from '../command';

/** Gives a window its place and size. */
export const placeWindow = commandKind({
  type: 'place-window',
  fields: { window: 'window', geometry: 'geometry' },
  decide(course, { window, geometry }) {
    if (sameGeometry(windowOf(course.session, window).geometry, geometry)) return;
    course.happen({ type: 'windows-placed', places: [{ window, geometry }] });
  },
});

/** A tab says what it shows now. Refused for a tab that the window does not have. */
export const retitleTab = commandKind({
  type: 'retitle-tab',
  fields: { window: 'window', tab: 'tab', title: 'title' },
  grows: true,
  decide(course, { window, tab: id, title }) {
    const tab = windowOf(course.session, window).tabs.find((one) => one.id === id);
    if (!tab) throw new Refused({ field: 'tab', detail: `Window '${window}' has no tab '${id}'.` });
    if (tab.title !== title) course.happen({ type: 'tab-retitled', window, tab: id, title });
  },
});

/** An application answers nothing more, until it is ended. */
export const stopAnswering = commandKind({
  type: 'stop-answering',
  fields: { application: 'application' },
  decide(course, { application }) {
    if (applicationOf(course.session, application).answering)
      course.happen({ type: 'application-stopped-answering', application });
  },
});
