/**
 * Asks a worker one thing. Where it cannot be started or fails, the page works it out itself, which takes the screen a moment.
 * @param here the same answer, worked out on the page. @returns what ends it unanswered.
 */
export function askWorker<Question, Answer>(
  worker: Worker,
  question: Question,
  here: (question: Question) => Answer,
  done: (answer: Answer) => void,
): () => void {
  const answered = (answer: Answer) => {
    done(answer);
    worker.terminate();
  };
  worker.onmessage = ({ data }: MessageEvent<Answer>) => answered(data);
  worker.onerror = () => answered(here(question));
  worker.postMessage(question);
  return () => worker.terminate();
}
