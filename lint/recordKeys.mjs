import ts from 'typescript';

/**
 * Reports a record that is indexed by any string: `record['constructor']` finds what every object inherits. Such a record is a `Map`, or is
 * asked through `lookup` of the core. Keys of a closed union, numbers and arrays are left alone, and so is writing to a record.
 */
export const recordKeys = {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      index: 'Any string may be this key, “constructor” too. Use a Map, or lookup(record, key).',
      within: 'Any string may be this key, “constructor” too. Use Object.hasOwn, a Map or a Set.',
    },
  },
  create(context) {
    const services = context.sourceCode.parserServices;
    const checker = services.program.getTypeChecker();
    const isAnyString = (node) => {
      const type = services.getTypeAtLocation(node);
      const parts = type.isUnion() ? type.types : [type];
      return parts.some((part) => (part.flags & (ts.TypeFlags.String | ts.TypeFlags.TemplateLiteral)) !== 0);
    };
    const isRecord = (node) => {
      const type = checker.getNonNullableType(services.getTypeAtLocation(node));
      if (checker.isArrayType(type) || checker.isTupleType(type)) return false;
      return (type.isUnion() ? type.types : [type]).some((part) => checker.getIndexInfoOfType(part, ts.IndexKind.String) !== undefined);
    };
    const isWritten = (node) =>
      (node.parent.type === 'AssignmentExpression' && node.parent.left === node && node.parent.operator === '=') ||
      (node.parent.type === 'UnaryExpression' && node.parent.operator === 'delete');
    return {
      'MemberExpression[computed=true]'(node) {
        if (isAnyString(node.property) && isRecord(node.object) && !isWritten(node)) context.report({ node, messageId: 'index' });
      },
      'BinaryExpression[operator="in"]'(node) {
        if (node.left.type !== 'PrivateIdentifier' && isAnyString(node.left)) context.report({ node, messageId: 'within' });
      },
    };
  },
};
