using System.Net;
using Kostel.Links.Guard;

namespace Kostel.Links.Tests;

public class PublicAddressTests
{
    /// <summary>IANA special-purpose registries (RFC 6890 and updates): one address of each block, and neighbours outside.</summary>
    [Theory]
    [InlineData("10.0.0.1", false)]
    [InlineData("100.127.255.255", false)]
    [InlineData("100.128.0.0", true)]
    [InlineData("127.8.8.8", false)]
    [InlineData("169.254.1.1", false)]
    [InlineData("172.31.0.1", false)]
    [InlineData("172.32.0.1", true)]
    [InlineData("192.0.2.5", false)]
    [InlineData("192.168.255.1", false)]
    [InlineData("198.19.0.1", false)]
    [InlineData("224.0.0.1", false)]
    [InlineData("255.255.255.255", false)]
    [InlineData("9.255.255.255", true)]
    [InlineData("::", false)]
    [InlineData("::1", false)]
    [InlineData("::ffff:127.0.0.1", false)]
    [InlineData("::ffff:9.9.9.9", true)]
    [InlineData("64:ff9b::7f00:1", false)]
    [InlineData("64:ff9b::909:909", true)]
    [InlineData("2002:c0a8:1::", false)]
    [InlineData("2002:909:909::", true)]
    [InlineData("2001:db8::1", false)]
    [InlineData("fd12::1", false)]
    [InlineData("fe80::1", false)]
    [InlineData("ff02::1", false)]
    [InlineData("2a00::1", true)]
    public void Addresses_of_the_open_network_are_told_from_all_others(string address, bool isPublic) => Assert.Equal(isPublic, PublicAddress.IsPublic(IPAddress.Parse(address)));
}
