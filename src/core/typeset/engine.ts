// Which pages a book comes to hangs on the engine too.

/** Raised with each change by which the pages of a book may come out otherwise. */
export const ENGINE = 1;
