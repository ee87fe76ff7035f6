import compression from 'compression';

const FROM_BYTES = 1000;

/** Answers of the API are packed on the fly when they are worth it; a stream of events never, since it would wait for more. */
export const compressAnswers = compression({
  threshold: FROM_BYTES,
  filter: (req, res) => !/event-stream/.test(String(res.getHeader('content-type'))) && compression.filter(req, res),
});
