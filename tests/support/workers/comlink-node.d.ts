declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { Endpoint } from 'comlink';
  export default function nodeEndpoint(port: object): Endpoint;
}
