declare module 'virtual:words/*' {
  const words: import('./words').Catalogue;
  export default words;
}
