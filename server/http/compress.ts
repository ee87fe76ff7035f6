import compression from 'compression';

const FROM_BYTES = 1000;

/** Compresses API answers that are worth it; never a stream of events, which would be buffered. */
export const compressAnswers = compression({
  threshold: FROM_BYTES,
  filter: (req, res) => !/event-stream/.test(String(res.getHeader('content-type'))) && compression.filter(req, res),
});
