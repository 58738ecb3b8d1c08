import type { ApplicationId } from '../../model/ids';
import { get } from '../../model/table';
import type { Application, ApplicationsState } from './state';

/** The application with this id. @throws RangeError if there is none. */
export const applicationOf = (session: ApplicationsState, id: ApplicationId): Application =>
  get(session.applications, id, 'application');
