import {
  fetchBaseQuery,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import { openOfflineCopy } from './offlineCopy';

const ask = fetchBaseQuery({ baseUrl: '/api' });
const copy = openOfflineCopy();

/** Asks the server; when it cannot be reached, what is needed at the track comes from this phone's copy. */
export const baseQuery: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, api, more) => {
  const answer = await ask(args, api, more);
  if (typeof args !== 'string' || !copy.isKept(args)) return answer;
  if (answer.error?.status === 'FETCH_ERROR') {
    const kept = await copy.read(args);
    return kept === undefined ? answer : { data: kept };
  }
  if (answer.data !== undefined) void copy.keep(args, answer.data, new Date());
  return answer;
};
