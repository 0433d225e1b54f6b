/** Ends what jestSetup began. */
export default function tearDown() {
  globalThis.postgresOfTests?.end();
}
