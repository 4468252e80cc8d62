/** Text as it stands in HTML and XML, in elements and in quoted values. Characters that XML 1.0 does not know are left out. */
export function escaped(text: string): string {
  return text

    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"']/g, (mark) => `&#${mark.charCodeAt(0)};`);
}

/** Text as it stands in Markdown (CommonMark), in lines and in cells of tables: nothing in it is a sign. */
export function plainInMarkdown(text: string): string {
  return text
    .replace(/\s+/g, ' ')
    .replace(/[\\`*_{}[\]<>#|~&]/g, (mark) => `\\${mark}`)
    .replace(/^(\d+)([.)])/, '$1\\$2')
    .replace(/^([-+=])/, '\\$1');
}
