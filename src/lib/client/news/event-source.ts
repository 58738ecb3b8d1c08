import { EVENTS } from '../session-api';
import type { Report } from '../../core/protocol/report';
import { reportFrom } from '../../core/protocol/upcast';
import { ENDINGS, type OpenStream } from './hub';
import type { Followed } from './messages';

/** A stream of the server's news as an EventSource. The hub connects again by itself, from where its readers are. */
export const openEventSource: OpenStream = (followed, listener) => {
  const source = new EventSource(`${EVENTS}?after=${followed.map(position).join(',')}`);
  source.onopen = () => listener.opened();
  source.onerror = () => {
    source.close();
    listener.failed();
  };
  for (const { session } of followed)
    source.addEventListener(session, ({ data }: MessageEvent<string>) =>
      listener.stored(session, reportFrom(JSON.parse(data) as Report)),
    );
  for (const how of ENDINGS)
    source.addEventListener(how, ({ data }: MessageEvent<string>) =>
      listener.ended((JSON.parse(data) as { session: string }).session, how),
    );
  return () => source.close();
};

const position = ({ session, after }: Followed): string => `${session}:${after}`;
