// The formats in which the copy goes back to its author, by the extension of their files.

export type CopyKind = 'docx' | 'md' | 'html' | 'txt';

export const COPY_KINDS: readonly CopyKind[] = ['docx', 'md', 'html', 'txt'];
