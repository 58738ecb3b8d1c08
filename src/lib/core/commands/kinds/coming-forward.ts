/** Bringing things to the front, and opening what is not open yet. */
import type { Course } from '../../host/course';
import { cascade } from '../../layout/cascade';
import type { ApplicationId, DocumentId } from '../../model/ids';
import { find, idsIn } from '../../model/table';
import { applicationOf } from '../../slices/applications/selectors';
import { canOpen, documentOf } from '../../slices/documents/selectors';
import type { AppDocument } from '../../slices/documents/state';
import { isDraftLeft } from '../../slices/drafts/selectors';
import { raised } from '../../slices/front/selectors';
import { passedOver, windowsOf } from '../../slices/recency/selectors';
import { shows, windowOf, windowToChoose } from '../../slices/windows/selectors';
import { commandKind } from '../command';

/** Switching rule 9; with `raiseAll` the application's other windows come up too, keeping their order. */
export const bringToFront = commandKind({
  type: 'bring-to-front',
  fields: { window: 'window', raiseAll: 'flag' },
  decide(course, { window, raiseAll }) {
    course.uncover(window);
    const { application } = windowOf(course.session, window);
    if (raiseAll)
      course.restack(raised(course.session.stacking, idsIn(windowsOf(course.session, application))));
    course.front(window);
  },
});

/**
 * Switching rule 14: a window comes forward as the next of a run of presses, and the one before it was only passed
 * through: it is where it was in the order of recent use, and minimised if it was.
 */
export const walkTo = commandKind({
  type: 'walk-to',
  fields: { window: 'window', pass: 'pass' },
  decide(course, { window, pass }) {
    course.uncover(window);
    course.front(window);
    if (pass === null || pass.window === window) return;
    const passed = find(course.session.windows, pass.window);
    if (!passed) return;
    if (passedOver(course.session, pass) !== course.session.recent.windows)
      course.happen({ type: 'window-passed', pass });
    if (pass.minimised && !passed.minimised)
      course.happen({ type: 'windows-minimised', windows: [pass.window] });
  },
});

/** Switching rule 10: the application's best window; opens one, or launches it, if need be. */
export const switchToApplication = commandKind({
  type: 'switch-to-application',
  fields: { application: 'application' },
  grows: true,
  unforeseen: (session, { application }) => windowsOf(session, application).length === 0,
  decide(course, { application }) {
    if (!applicationOf(course.session, application).running) return launch(course, application);
    const chosen = windowToChoose(
      course.session,
      windowsOf(course.session, application).map(({ id }) => id),
    );
    if (chosen === null) openHome(course, application, true);
    else course.bringToFront(chosen);
  },
});

/** Opens a new window of an application on its home document; one that does not run is launched. */
export const openWindow = commandKind({
  type: 'open-window',
  fields: { application: 'application', inFront: 'flag' },
  grows: true,
  unforeseen: true,
  decide(course, { application, inFront }) {
    if (applicationOf(course.session, application).running) openHome(course, application, inFront);
    else launch(course, application, inFront);
  },
});

/** Goes to the window that shows a document, or opens one. */
export const openDocument = commandKind({
  type: 'open-document',
  fields: { document: 'document' },
  grows: true,
  unforeseen: true,
  decide: (course, { document }) => showDocument(course, document),
});

/** Goes to the window of an application that shows a document, whosever that is, or opens one. */
export const openDocumentWith = commandKind({
  type: 'open-document-with',
  fields: { document: 'document', application: 'application' },
  grows: true,
  unforeseen: true,
  decide(course, { document, application }) {
    if (canOpen(course.session, application, documentOf(course.session, document)))
      showDocument(course, document, application);
    else course.notice({ type: 'cannot-open', application });
  },
});

/** Goes to the window of an application that shows a document, or opens one; it is launched if need be. */
export function showDocument(
  course: Course,
  id: DocumentId,
  application = documentOf(course.session, id).application,
): void {
  const document = documentOf(course.session, id);
  const showing = windowsOf(course.session, application).find((window) => shows(window, id));
  if (!applicationOf(course.session, application).running)
    course.happen({ type: 'application-launched', application });
  if (!showing) return open(course, document, application, true);
  const tab = showing.tabs.find((candidate) => candidate.document === id);
  if (tab && tab.id !== showing.activeTab)
    course.happen({ type: 'tab-activated', window: showing.id, tab: tab.id });
  course.bringToFront(showing.id);
}

/** Starts an application: with the drafts that its last end left behind, else with its home document. */
function launch(course: Course, id: ApplicationId, inFront = true): void {
  course.happen({ type: 'application-launched', application: id });
  const left = idsIn(course.session.drafts)
    .map((document) => documentOf(course.session, document))
    .filter((document) => document.application === id && isDraftLeft(course.session, document.id));
  if (left.length === 0) return openHome(course, id, inFront);
  for (const document of left) open(course, document, id, inFront);
}

const openHome = (course: Course, id: ApplicationId, inFront: boolean): void =>
  open(course, documentOf(course.session, applicationOf(course.session, id).home), id, inFront);

/** Opens a window on a document. A draft of it that was left behind is offered. */
function open(course: Course, document: AppDocument, application: ApplicationId, inFront: boolean): void {
  const { window: id, tab, there } = course.newWindow(application);
  if (!there)
    course.happen({
      type: 'windows-opened',
      windows: [
        {
          id,
          application,
          geometry: cascade(course.session.stacking.length),
          minimised: false,
          workspace: course.session.workspace,
          tabs: [{ id: tab, title: document.title, document: document.id }],
          activeTab: tab,
          seen: false,
          asking: null,
          offeringDraft: isDraftLeft(course.session, document.id),
        },
      ],
    });
  if (inFront) course.bringToFront(id);
}
