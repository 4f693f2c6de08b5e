export { resolveStyles, resolveWithLook, StyleInterner, type StyleSheet } from './resolveStyles';
export { LINE_BREAK, shapeKeyOf, styleParagraph, type NoteSign, type StyleContext } from './styleParagraph';
