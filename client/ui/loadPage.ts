/** Has the browser load an address anew, the one it is at included, with every part of the app. */
export function loadPage(at: string): void {
  window.location.assign(at);
}
