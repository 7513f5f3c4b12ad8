export const items = [{ id: 'i1', title: 'Post-hole digger' }];
export const branches = ['the barn', 'the mill'];
