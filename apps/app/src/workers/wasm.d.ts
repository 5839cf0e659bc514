/** The address of the solver's WebAssembly file, as the bundler gives it. */
declare module 'highs/runtime' {
  const address: string;
  export default address;
}
