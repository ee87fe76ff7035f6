/** What browsers have and the DOM of the tests has not. There is no server: what asks one is answered as if it were away. */
import { TextDecoder, TextEncoder } from 'node:util';

class Request {
  constructor(readonly url: string) {}
  clone(): this {
    return this;
  }
}

const fetch = () => Promise.reject(new TypeError('There is no server in this test.'));

for (const [name, value] of Object.entries({ TextDecoder, TextEncoder, Request, fetch }))
  if (!(name in globalThis)) Object.assign(globalThis, { [name]: value });
