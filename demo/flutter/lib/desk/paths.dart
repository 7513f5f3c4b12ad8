/// Paths and names of the desk.
abstract final class Paths {
  static const home = '/';
  static const loans = '/loans';
  static const overdue = '$loans/overdue';
  static const members = '/members';
  static const settings = '/settings';

  static String loan(String id) => '$loans/$id';
}

abstract final class Desk {
  static const loan = 'loan';
  static const handBack = 'handBack';
  static const member = 'member';
  static const labels = 'labels';
}
