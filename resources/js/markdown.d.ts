declare module '*.md' {
    const html: string;
    export default html;
}
