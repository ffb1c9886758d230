/** What is used of the package, which carries no types of its own. */
declare module 'jstat' {
  const jStat: {
    beta: { inv(p: number, alpha: number, beta: number): number }
    studentt: { inv(p: number, freedom: number): number }
    tukey: { inv(p: number, groups: number, freedom: number): number }
  }
  export default jStat
}
