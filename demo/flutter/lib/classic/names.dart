/// Names of the classic app's routes.
abstract final class Names {
  static const shelf = '/';
  static const tool = '/tool';
  static const loanForm = '/loan/new';
  static const member = '/member';
  static const help = '/help';
  static const calendar = '/calendar';
}

abstract final class Keys {
  static const toolId = 'toolId';
  static const copies = 'copies';
}
