/** Browsers reflect an element's role as a property (WAI-ARIA 1.3, 10.1); what stands for one in tests does not yet. */
Object.defineProperty(Element.prototype, 'role', {
  configurable: true,
  get(this: Element) {
    return this.getAttribute('role');
  },
  set(this: Element, role: string) {
    this.setAttribute('role', role);
  },
});

/** Browsers read and write texts of any encoding (Encoding, 7). */
globalThis.TextDecoder ??= process.getBuiltinModule('util').TextDecoder as typeof globalThis.TextDecoder;
globalThis.TextEncoder ??= process.getBuiltinModule('util').TextEncoder as typeof globalThis.TextEncoder;
