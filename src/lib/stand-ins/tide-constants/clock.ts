const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });

/** Hours and minutes of an instant in ms, e.g. `09:31`. */
export const clockOf = (instant: number): string => clock.format(instant);

/** The day of an instant in ms, e.g. `Thu 26 Nov`. */
export const dayOf = (instant: number): string => weekday.format(instant).replace(',', '');
