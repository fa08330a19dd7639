/** Asking one thing at a time: while an answer is on its way only the newest question waits. */

type Job = (signal: AbortSignal) => Promise<void>;

export class Newest {
  private running: AbortController | null = null;
  private waiting: Job | null = null;

  /** Do it now, or once what is under way is done, unless something newer is asked by then. What goes wrong is let
   * pass: the next one makes up for it. */
  ask(job: Job) {
    if (this.running) {
      this.waiting = job;
      return;
    }
    const abort = new AbortController();
    this.running = abort;
    job(abort.signal)
      .catch(() => undefined)
      .finally(() => {
        if (this.running !== abort) return;
        this.running = null;
        const next = this.waiting;
        this.waiting = null;
        if (next) this.ask(next);
      });
  }

  /** Forget what is under way and what waits. */
  drop() {
    this.waiting = null;
    this.running?.abort();
    this.running = null;
  }
}
