import {
  fetchBaseQuery,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import { serializeByKey } from './serializeByKey';
import { APP_VERSION, noteVersion } from './serverVersion';
import { today } from '../ui/days';
import { openOfflineCopy } from './offlineCopy';

const ask = fetchBaseQuery({ baseUrl: '/api' });

/** The server takes writes as JSON only, even empty ones: another site's form cannot send that. */
const AS_JSON = { ...APP_VERSION, 'content-type': 'application/json' };

const copy = openOfflineCopy();

/** Queries the server; when it cannot be reached, what is needed at the track comes from this phone's copy. */
export const baseQuery: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, api, more) => {
  // Writes to one URL are serialised, so that the last one wins.
  const answer =
    typeof args === 'string' || args.method === undefined || args.method === 'GET'
      ? await ask({ ...(typeof args === 'string' ? { url: args } : args), headers: APP_VERSION }, api, more)
      : await serializeByKey(args.url, () => Promise.resolve(ask({ ...args, headers: AS_JSON }, api, more)));
  noteVersion(answer.meta?.response?.headers);
  if (typeof args !== 'string') return answer;
  if (answer.error?.status === 'FETCH_ERROR') {
    const kept = await copy.read(args);
    return kept === undefined ? answer : { data: kept };
  }
  if (answer.data !== undefined) void copy.keep(args, answer.data, today());
  return answer;
};
