declare module 'virtual:card-pictures' {
  const pictures: Readonly<Record<'techniques' | 'benches', Readonly<Record<string, string>>>>
  export default pictures
}
