import { type RunTask, run } from './tasks';

/** In this thread: everything else waits meanwhile. For a server that serves nobody else, as in tests. It ends where it next says how far it is. */
export const runHere: RunTask = async (name, given, say, signal) => {
  signal.throwIfAborted();
  return run(name, given, (step, share) => {
    signal.throwIfAborted();
    say(step, share);
  });
};
