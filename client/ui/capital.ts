/** The text with a capital at its start, for headings and buttons. @example capital('left rear') is "Left rear" */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
