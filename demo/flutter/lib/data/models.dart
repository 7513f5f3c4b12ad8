class Tool {
  const Tool({required this.id, required this.name, this.copies = 1});

  final String id;
  final String name;
  final int copies;
}

class Loan {
  const Loan({required this.id, required this.toolId, required this.memberId});

  final String id;
  final String toolId;
  final String memberId;
}

const tools = [
  Tool(id: 't1', name: 'Hedge trimmer'),
  Tool(id: 't2', name: 'Spirit level', copies: 4),
];

const loans = [Loan(id: 'l1', toolId: 't1', memberId: 'm1')];
