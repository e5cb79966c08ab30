// A file as the text it is.
declare module "*.md?raw" {
  const text: string;
  export default text;
}
