/** The text with a capital at its start, for headings and buttons. @example capital('left rear') is "Left rear" */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** The text with a small letter at its start, to stand within a sentence; a word in capitals, and pH, stay. @example lowerFirst('DOT 4') is "DOT 4" */
export function lowerFirst(text: string): string {
  return /^[A-Z]{2}|^pH/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);
}
