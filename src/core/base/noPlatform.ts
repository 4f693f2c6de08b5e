// Holds core free of the browser: the compiler must reject the name below. If a dependency ever brings the DOM types
// into core, the expected error is gone and the build fails here.

/** Always undefined; exists only so that the compiler checks the line inside. */
export function platformIsAbsent(): undefined {
  // @ts-expect-error core has no document
  void document;
  return undefined;
}
