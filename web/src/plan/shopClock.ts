/** Writes moments by the clock of a shop, whatever clock the device has. */
export const shopClock =
  (timeZone: () => string | undefined) =>
  (options: Intl.DateTimeFormatOptions) =>
  (iso: string): string =>
    new Date(iso).toLocaleString('en-GB', { timeZone: timeZone() ?? 'UTC', ...options });

/** Hour and minute. */
export const CLOCK: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit' };
