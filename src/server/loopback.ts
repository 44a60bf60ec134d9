const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/;

/** Whether a Host header names this machine. Another name means that a page elsewhere was pointed here. */
export function isLoopback(host: string): boolean {
  return LOOPBACK.test(host);
}
